package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.Tax;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.ledger.LedgerTaxCode;
import java.math.BigDecimal;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;

/// The ledger's codes for the combinations of one document. A code is looked up and held against its combination once
/// for each combination; the same key at another rate is another combination.
final class TaxCodes {
    private final Crosswalk crosswalk;
    private final LedgerProfile ledger;
    private final String unstated;
    private final Consumer<Finding> findings;
    private final Map<TaxCombination, String> codes = new HashMap<>();
    private boolean ratesDiffer;

    /// @param unstated the code of lines that state no tax; empty when the route names none
    TaxCodes(Crosswalk crosswalk, LedgerProfile ledger, String unstated, Consumer<Finding> findings) {
        this.crosswalk = crosswalk;
        this.ledger = ledger;
        this.unstated = unstated;
        this.findings = findings;
    }

    /// The code for a combination, or empty with a finding.
    String of(TaxCombination tax) {
        return codes.computeIfAbsent(tax, this::find);
    }

    /// What the ledger charges under a code, in percent; nothing for a line that goes without one.
    BigDecimal rate(String code) {
        return code.isEmpty() ? BigDecimal.ZERO : get(code).chargedRate();
    }

    LedgerTaxCode get(String code) {
        return ledger.taxCodes().get(code);
    }

    /// Whether a rate was found to differ, so that the tax is known to differ too.
    boolean ratesDiffer() {
        return ratesDiffer;
    }

    private String find(TaxCombination tax) {
        String mapped = crosswalk.counterpart(RowKind.TAX, tax.key());
        String code = mapped.isEmpty() && tax.equals(TaxCombination.NONE) ? unstated : mapped;
        if (code.isEmpty()) {
            findings.accept(new Finding.TaxUnmapped(tax.key(), tax.rate()));
            return "";
        }
        Optional<LedgerTaxCode> ledgerCode = ledger.findTaxCode(code).filter(LedgerTaxCode::active);
        if (ledgerCode.isEmpty()) {
            findings.accept(new Finding.TaxCodeUnusable(tax.key(), code));
            return "";
        }
        if (!ledger.decidesTax()) {
            compare(tax, ledgerCode.get());
        }
        return code;
    }

    private void compare(TaxCombination tax, LedgerTaxCode code) {
        if (code.chargedRate().compareTo(tax.rate()) != 0) {
            ratesDiffer = true;
            findings.accept(new Finding.TaxRateDiffers(tax.key(), tax.rate(), code.code(), code.chargedRate()));
        }
        Set<TaxCategory> letters = tax.categories();
        if (!letters.isEmpty() && !letters.contains(code.category())) {
            findings.accept(new Finding.TaxCategoryDiffers(tax.key(), letters, code.code(), code.category()));
        }
    }

    /// Whatever becomes of it on the ledger: a rate under a letter that charges nothing is a slip of the source.
    static void checkCharged(TaxCombination combination, Consumer<Finding> findings) {
        for (Tax tax : combination.taxes()) {
            if (tax.category().chargesNothing() && tax.rate().signum() != 0) {
                findings.accept(new Finding.TaxNotCharged(combination.key(), tax.category(), tax.rate()));
            }
        }
    }
}
