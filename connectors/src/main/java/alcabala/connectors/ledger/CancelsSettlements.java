package alcabala.connectors.ledger;

import alcabala.connectors.spi.Capability;

/// Takes back a payment or refund that stands there: what it settled is open again.
public interface CancelsSettlements extends Capability {
    /// Refused when it can no longer be taken back, as in a locked period.
    Answer<LedgerRecord> cancel(Standing standing, String key);
}
