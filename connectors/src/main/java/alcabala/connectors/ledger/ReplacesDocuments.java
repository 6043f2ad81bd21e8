package alcabala.connectors.ledger;

import alcabala.accounting.posting.LedgerDocument;
import alcabala.connectors.spi.Capability;

/// Puts a document in the place of one that stands there: the same record, a later version, its payments kept.
public interface ReplacesDocuments extends Capability {
    /// Refused when somebody changed it since it was read.
    Answer<LedgerRecord> change(
            Standing standing, LedgerDocument document, String partyId, String reference, String key);

    /// The exact body that [#change] sends.
    String body(Standing standing, LedgerDocument document, String partyId, String reference);
}
