package alcabala.connectors.adapters.refitline;

import alcabala.connectors.source.TellsChanges;
import alcabala.connectors.spi.SourceByKey;
import java.util.Set;

/// Refitline, an operational app.
public final class RefitlineKind extends SourceByKey {
    public RefitlineKind() {
        super("refitline", "Refitline", Set.of(TellsChanges.class), RefitlineSource::new);
    }
}
