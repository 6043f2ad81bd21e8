package alcabala.connectors.ledger;

import alcabala.accounting.posting.LedgerJournal;
import alcabala.connectors.spi.Capability;

/// Takes journal entries through its interface, one request each.
public interface TakesJournals extends Capability {
    /// @param reference our name for the record behind it, by which it can be asked for
    Answer<LedgerRecord> post(LedgerJournal journal, String reference, String key);

    /// The exact body that [#post] sends, for the trail.
    String body(LedgerJournal journal, String reference);
}
