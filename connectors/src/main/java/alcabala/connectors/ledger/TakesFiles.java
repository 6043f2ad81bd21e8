package alcabala.connectors.ledger;

import alcabala.connectors.spi.Capability;
import alcabala.formats.layout.Layout;
import java.util.List;

/// Imports files, and tells by files what it made of them.
public interface TakesFiles extends Capability {
    /// Those that it takes as they are; others can be made after them.
    List<Layout> layouts();

    /// Reads what it wrote about an import, or its register: whichever of the two the file is.
    FileAnswer read(byte[] file);
}
