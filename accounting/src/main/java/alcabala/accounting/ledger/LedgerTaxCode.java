package alcabala.accounting.ledger;

import alcabala.accounting.document.TaxCategory;
import java.math.BigDecimal;

/// One tax code of the ledger.
///
/// @param rate in percent, trailing zeros stripped
/// @param account where the ledger posts the tax on sales; empty when the role output tax decides
/// @param inputAccount where it posts the tax on purchases; empty when the role input tax decides
public record LedgerTaxCode(
        String code,
        String name,
        BigDecimal rate,
        TaxCategory category,
        String account,
        String inputAccount,
        boolean active) {
    public LedgerTaxCode {
        rate = rate.signum() == 0 ? BigDecimal.ZERO : rate.stripTrailingZeros();
    }
}
