package alcabala.connectors.adapters.hullwork;

import alcabala.connectors.spi.Capability;
import alcabala.connectors.spi.SourceByKey;

/// Hullwork, an operational app.
public final class HullworkKind extends SourceByKey {
    public HullworkKind() {
        super("hullwork", "Hullwork", Capability.of(HullworkSource.class), HullworkSource::new);
    }
}
