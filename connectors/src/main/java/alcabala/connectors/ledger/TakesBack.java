package alcabala.connectors.ledger;

import alcabala.accounting.posting.Cancellation;
import alcabala.connectors.spi.Capability;

/// Takes back what stands there: what it settled is open again.
public interface TakesBack extends Capability {
    String body(Standing standing, Cancellation cancellation);

    /// Refused when it can no longer be taken back, as in a locked period, or when something settles it.
    Answer<LedgerRecord> takeBack(Standing standing, Cancellation cancellation, String key);
}
