package alcabala.connectors.ledger;

import alcabala.connectors.spi.Capability;

/// Says whose books it keeps, and how.
public interface DescribesCompany extends Capability {
    LedgerCompany company();
}
