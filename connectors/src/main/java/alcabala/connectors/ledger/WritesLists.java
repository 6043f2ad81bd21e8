package alcabala.connectors.ledger;

import alcabala.connectors.spi.Capability;

/// Writes lists of what it owns to files, which are taken in here.
public interface WritesLists extends Capability {
    Listing read(byte[] file);
}
