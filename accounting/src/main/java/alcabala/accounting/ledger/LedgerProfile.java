package alcabala.accounting.ledger;

import alcabala.accounting.custom.CustomField;
import alcabala.accounting.tax.TaxRounding;
import alcabala.accounting.terms.CodedTerms;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;

/// What a ledger is and offers, as last pulled.
///
/// @param multiCurrency whether it books what is in another currency than its own
/// @param rates that it converts by
/// @param terms of payment by their codes
/// @param fields that its documents have beside the usual ones, by their codes
/// @param subParties whether it has parties below others
/// @param oneTaxCode whether a document carries one tax code for all its lines
/// @param decidesTax whether it decides itself, by place, what is taxed and how much; its codes are then those of
/// `LedgerTaxCode.ofLedgerThatDecides`
/// @param dimensions by their codes; none when it has none, or has them switched off
public record LedgerProfile(
        String name,
        CurrencyUnit baseCurrency,
        boolean multiCurrency,
        DayRates rates,
        TaxRounding taxRounding,
        Map<String, LedgerAccount> accounts,
        Map<String, LedgerTaxCode> taxCodes,
        Map<String, LedgerDimension> dimensions,
        NameRules itemNames,
        Map<String, CodedTerms> terms,
        Map<String, CustomField> fields,
        boolean subParties,
        boolean oneTaxCode,
        boolean decidesTax) {

    public Optional<LedgerAccount> findAccount(String code) {
        return Optional.ofNullable(accounts.get(code));
    }

    public Optional<LedgerTaxCode> findTaxCode(String code) {
        return Optional.ofNullable(taxCodes.get(code));
    }

    /// The same with all accounts and tax codes in use, to explain what was booked while they were.
    public LedgerProfile withAllInUse() {
        return new LedgerProfile(
                name,
                baseCurrency,
                multiCurrency,
                rates,
                taxRounding,
                each(accounts, LedgerAccount::inUse),
                each(taxCodes, LedgerTaxCode::inUse),
                dimensions,
                itemNames,
                terms,
                fields,
                subParties,
                oneTaxCode,
                decidesTax);
    }

    private static <T> Map<String, T> each(Map<String, T> all, UnaryOperator<T> change) {
        return all.entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, entry -> change.apply(entry.getValue())));
    }
}
