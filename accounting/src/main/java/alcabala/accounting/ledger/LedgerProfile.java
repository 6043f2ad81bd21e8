package alcabala.accounting.ledger;

import alcabala.accounting.tax.TaxRounding;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;

/// What a ledger is and offers, as last pulled.
///
/// @param oneTaxCode whether a document carries one tax code for all its lines
/// @param nameLimit how many characters the ledger keeps of an item's name
public record LedgerProfile(
        String name,
        CurrencyUnit baseCurrency,
        TaxRounding taxRounding,
        Map<String, LedgerAccount> accounts,
        Map<String, LedgerTaxCode> taxCodes,
        int nameLimit,
        boolean oneTaxCode) {

    public Optional<LedgerAccount> findAccount(String code) {
        return Optional.ofNullable(accounts.get(code));
    }

    public Optional<LedgerTaxCode> findTaxCode(String code) {
        return Optional.ofNullable(taxCodes.get(code));
    }
}
