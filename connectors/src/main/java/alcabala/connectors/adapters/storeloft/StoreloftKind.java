package alcabala.connectors.adapters.storeloft;

import alcabala.connectors.spi.Capability;
import alcabala.connectors.spi.SourceByKey;

/// Storeloft, an operational app.
public final class StoreloftKind extends SourceByKey {
    public StoreloftKind() {
        super("storeloft", "Storeloft", Capability.of(StoreloftSource.class), StoreloftSource::new);
    }
}
