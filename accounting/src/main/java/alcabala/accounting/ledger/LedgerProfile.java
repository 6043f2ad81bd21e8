package alcabala.accounting.ledger;

import alcabala.accounting.tax.TaxRounding;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;

/// What a ledger is and offers, as last pulled.
///
/// @param multiCurrency whether it books what is in another currency than its own
/// @param rates that it converts by
/// @param oneTaxCode whether a document carries one tax code for all its lines
/// @param dimensions by their codes; none when it has none, or has them switched off
/// @param nameLimit how many characters the ledger keeps of an item's name
public record LedgerProfile(
        String name,
        CurrencyUnit baseCurrency,
        boolean multiCurrency,
        DayRates rates,
        TaxRounding taxRounding,
        Map<String, LedgerAccount> accounts,
        Map<String, LedgerTaxCode> taxCodes,
        Map<String, LedgerDimension> dimensions,
        int nameLimit,
        boolean oneTaxCode) {

    public Optional<LedgerAccount> findAccount(String code) {
        return Optional.ofNullable(accounts.get(code));
    }

    public Optional<LedgerTaxCode> findTaxCode(String code) {
        return Optional.ofNullable(taxCodes.get(code));
    }
}
