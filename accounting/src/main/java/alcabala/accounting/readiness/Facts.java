package alcabala.accounting.readiness;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.RecordType;
import alcabala.accounting.ledger.LedgerProfile;
import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.CurrencyUnit;

/// Everything that readiness is judged by, gathered beforehand.
///
/// @param carried the records that the route carries
/// @param ledger the ledger as last pulled
/// @param roles the account that each role has on the route
/// @param taxes the source's taxes that waiting documents use
/// @param waiting the documents that have not crossed
/// @param newItems names of items, by code, that the ledger lacks and that would be created
/// @param itemNames names of the items that the ledger has, by code
/// @param takenNumbers numbers of waiting documents that stand on the ledger already under another document
/// @param otherRoutes other routes that lead to the same books, with how many document numbers they share with this one
public record Facts(
        Set<RecordType> carried,
        LedgerProfile ledger,
        Settings settings,
        Map<AccountRole, String> roles,
        List<TaxUse> taxes,
        List<Waiting> waiting,
        Map<String, String> newItems,
        Map<String, String> itemNames,
        Set<String> takenNumbers,
        Map<String, Integer> otherRoutes) {

    /// Settings of the company on the ledger.
    ///
    /// @param consentLeft how long the consent is good for; empty when it has no end, negative when it is over
    /// @param clockApart how far the ledger's clock is from ours, never negative
    public record Settings(
            LocalDate lockedThrough,
            boolean appliesCredits,
            boolean tracksQuantities,
            Set<String> features,
            Optional<Duration> consentLeft,
            ZoneId here,
            ZoneId there,
            Duration clockApart) {}

    /// A tax of the source that waiting documents use.
    ///
    /// @param ledgerCode what it goes to; empty when it has no counterpart
    /// @param gross minor units of the documents that use it
    public record TaxUse(String code, BigDecimal rate, String ledgerCode, int documents, long gross) {}

    /// A document that has not crossed.
    ///
    /// @param gross minor units, credit notes negative
    /// @param credit whether it is a credit note
    /// @param missing roles that it needs and the route does not have
    /// @param goods whether a line of it is for goods
    public record Waiting(
            String number,
            LocalDate issueDate,
            CurrencyUnit currency,
            long gross,
            boolean credit,
            boolean goods,
            Set<AccountRole> missing) {}
}
