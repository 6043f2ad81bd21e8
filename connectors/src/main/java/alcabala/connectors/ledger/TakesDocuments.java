package alcabala.connectors.ledger;

import alcabala.accounting.posting.LedgerDocument;
import alcabala.connectors.spi.Capability;

/// Takes documents through its interface, one request each.
public interface TakesDocuments extends Capability {
    /// @param partyId the ledger's own id of the party
    /// @param reference our name for the document, by which it can be asked for
    Answer<LedgerRecord> post(LedgerDocument document, String partyId, String reference, String key);

    /// The exact body that [#post] sends, for the trail.
    String body(LedgerDocument document, String partyId, String reference);
}
