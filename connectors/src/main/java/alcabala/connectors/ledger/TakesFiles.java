package alcabala.connectors.ledger;

import alcabala.connectors.spi.Capability;

/// Imports files, and tells by files what it made of them.
public interface TakesFiles extends Capability {
    /// Reads what it wrote about an import, or its register: whichever of the two the file is.
    FileAnswer read(byte[] file);
}
