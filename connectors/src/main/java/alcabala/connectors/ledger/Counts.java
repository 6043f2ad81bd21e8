package alcabala.connectors.ledger;

import alcabala.connectors.spi.Capability;

/// Says how much of everything it has.
public interface Counts extends Capability {
    LedgerCounts counts();
}
