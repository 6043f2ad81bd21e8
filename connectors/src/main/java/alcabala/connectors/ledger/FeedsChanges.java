package alcabala.connectors.ledger;

import alcabala.connectors.spi.Capability;

/// Tells what changed there since a cursor, oldest first.
public interface FeedsChanges extends Capability {
    LedgerFeed changes(long after, int limit);
}
