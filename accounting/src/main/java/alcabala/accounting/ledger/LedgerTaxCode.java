package alcabala.accounting.ledger;

import alcabala.accounting.document.TaxCategory;
import java.math.BigDecimal;
import java.util.List;

/// One tax code of the ledger.
///
/// @param rate in percent, trailing zeros stripped
/// @param bothSides whether its tax is booked as owed and as reclaimed at once, so that nothing is charged (reverse
/// charge); so only on purchases
/// @param deductible how much of a tax booked on both sides may be reclaimed, in percent; the rest is cost
/// @param account where the ledger posts the tax on sales; empty when the role output tax decides
/// @param inputAccount where it posts the tax on purchases; empty when the role input tax decides
public record LedgerTaxCode(
        String code,
        String name,
        BigDecimal rate,
        TaxCategory category,
        boolean bothSides,
        BigDecimal deductible,
        String account,
        String inputAccount,
        boolean active) {
    /// What a line says to a ledger that decides tax itself.
    public static final String TAXABLE = "taxable";

    public static final String NOT_TAXABLE = "not-taxable";
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    public LedgerTaxCode {
        rate = rate.signum() == 0 ? BigDecimal.ZERO : rate.stripTrailingZeros();
    }

    /// A code that charges its rate.
    public LedgerTaxCode(
            String code,
            String name,
            BigDecimal rate,
            TaxCategory category,
            String account,
            String inputAccount,
            boolean active) {
        this(code, name, rate, category, false, HUNDRED, account, inputAccount, active);
    }

    /// The two that stand in for codes where the ledger decides tax itself: their rate says nothing.
    public static List<LedgerTaxCode> ofLedgerThatDecides() {
        return List.of(
                new LedgerTaxCode(TAXABLE, "the ledger decides how much", BigDecimal.ZERO, TaxCategory.S, "", "", true),
                new LedgerTaxCode(NOT_TAXABLE, "nothing is charged", BigDecimal.ZERO, TaxCategory.O, "", "", true));
    }

    /// Whether it stands in for a code where the ledger decides tax itself.
    public static boolean isOfLedgerThatDecides(String code) {
        return code.equals(TAXABLE) || code.equals(NOT_TAXABLE);
    }

    /// What the other party is charged, in percent.
    public BigDecimal chargedRate() {
        return bothSides ? BigDecimal.ZERO : rate;
    }

    LedgerTaxCode inUse() {
        return new LedgerTaxCode(code, name, rate, category, bothSides, deductible, account, inputAccount, true);
    }
}
