package alcabala.server.connect;

import alcabala.accounting.crosswalk.RecordType;
import alcabala.accounting.party.Business;
import java.util.Set;

/// A route with the names of both its ends.
public record RouteRow(
        long id,
        String code,
        long sourceId,
        String source,
        boolean fromFiles,
        String sourceDesk,
        long ledgerId,
        String ledger,
        String ledgerDesk,
        String currency,
        String site,
        String businessName,
        Set<String> businessTaxIdentifiers) {
    public Business business() {
        return new Business(businessName, businessTaxIdentifiers);
    }

    /// The records that the route carries. Every route carries sales so far; bills are taken in and shown.
    public Set<RecordType> carries() {
        return Set.of(RecordType.SALES);
    }

    /// Our name for a document on the ledger.
    public String reference(String sourceRef) {
        return source.toLowerCase(java.util.Locale.ROOT) + ":" + sourceRef;
    }
}
