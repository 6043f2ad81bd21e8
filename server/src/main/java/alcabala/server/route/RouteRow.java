package alcabala.server.route;

import alcabala.accounting.party.Business;
import java.util.Set;

/// A route with the names of both its ends.
///
/// @param ledgerId 0 for the route of documents whose site has none: it leads nowhere
/// @param ended whether it leads nothing any more
/// @param ledgerAnswers whether the ledger can be asked, and sent to one by one; otherwise it takes files
public record RouteRow(
        long id,
        String code,
        long sourceId,
        String source,
        boolean fromFiles,
        String sourceDesk,
        long ledgerId,
        String ledger,
        boolean ledgerAnswers,
        String ledgerDesk,
        String currency,
        String site,
        boolean ended,
        String businessName,
        Set<String> businessTaxIdentifiers,
        Set<String> businessKnownAs) {
    public Business business() {
        return new Business(businessName, businessTaxIdentifiers, businessKnownAs);
    }

    /// Whether it only keeps what has no way to go.
    public boolean leadsNowhere() {
        return ledgerId == 0;
    }

    /// Our name for a document on the ledger.
    public String reference(String sourceRef) {
        return source.toLowerCase(java.util.Locale.ROOT) + ":" + sourceRef;
    }
}
