package alcabala.connectors.adapters.storeloft;

import alcabala.connectors.source.TellsChanges;
import alcabala.connectors.spi.SourceByKey;
import java.util.Set;

/// Storeloft, an operational app.
public final class StoreloftKind extends SourceByKey {
    public StoreloftKind() {
        super("storeloft", "Storeloft", Set.of(TellsChanges.class), StoreloftSource::new);
    }
}
