package alcabala.accounting.readiness;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.RecordType;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.record.RecordKind;
import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// Everything that readiness is judged by, gathered beforehand.
///
/// @param carried the records that the route carries
/// @param ledger the ledger as last pulled
/// @param roles the account that each role has on the route
/// @param taxes the source's taxes that waiting documents use, as far as they are to cross as taxes
/// @param settings of the company on the ledger; empty when it cannot be asked
/// @param taxOff whether the route has tax switched off
/// @param waiting the documents that have not crossed, of the kinds that cross on the route
/// @param purchases the bills that have not crossed, whether the route carries them or not
/// @param unrouted what of the same source has no route, by site
/// @param newItems names of items, by code, that the ledger lacks and that would be created
/// @param itemNames names of the items that the ledger has, by code
/// @param safeNextNumber above every number of both sides; 0 when that is not known
/// @param takenNumbers numbers of waiting documents that stand on the ledger already under another document
/// @param otherRoutes other routes that lead to the same books, with how many document numbers they share with this one
/// @param trail what is wrong with the trail; empty when it is whole
public record Facts(
        Set<RecordType> carried,
        LedgerProfile ledger,
        Optional<Settings> settings,
        boolean taxOff,
        Map<AccountRole, String> roles,
        List<TaxUse> taxes,
        List<Waiting> waiting,
        List<Waiting> purchases,
        List<Unrouted> unrouted,
        Map<String, String> newItems,
        Map<String, String> itemNames,
        Set<String> takenNumbers,
        long safeNextNumber,
        Map<String, Integer> otherRoutes,
        String trail) {

    /// Settings of the company on the ledger.
    ///
    /// @param otherBooks whether it answers for other books than those that were connected
    /// @param consentLeft how long the consent is good for; empty when it has no end, negative when it is over
    /// @param clockApart how far the ledger's clock is from ours, never negative
    public record Settings(
            boolean otherBooks,
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
    /// @param category its letter; null for lines that state no tax
    /// @param ledgerCode what it goes to; empty when it has no counterpart
    /// @param gross minor units of the documents that use it
    public record TaxUse(
            String code, BigDecimal rate, TaxCategory category, String ledgerCode, int documents, long gross) {}

    /// Documents of a site without a route.
    ///
    /// @param gross in the site's own currency
    public record Unrouted(String site, int documents, Money gross) {}

    /// A document that has not crossed.
    ///
    /// @param gross minor units, credit notes negative; so is the tax
    /// @param goods whether a line of it is for goods
    /// @param missing roles that it needs and the route does not have
    public record Waiting(
            RecordKind kind,
            String number,
            LocalDate issueDate,
            CurrencyUnit currency,
            long gross,
            long tax,
            boolean goods,
            Set<AccountRole> missing) {}
}
