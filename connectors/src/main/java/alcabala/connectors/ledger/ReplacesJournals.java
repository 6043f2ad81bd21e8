package alcabala.connectors.ledger;

import alcabala.accounting.posting.LedgerJournal;
import alcabala.connectors.spi.Capability;

/// Puts a journal entry in the place of one that stands there: the same record, a later version.
public interface ReplacesJournals extends Capability {
    /// Refused when somebody changed it since it was read, or it can no longer be changed, as in a locked period.
    Answer<LedgerRecord> change(Standing standing, LedgerJournal journal, String reference, String key);

    /// The exact body that [#change] sends.
    String body(Standing standing, LedgerJournal journal, String reference);
}
