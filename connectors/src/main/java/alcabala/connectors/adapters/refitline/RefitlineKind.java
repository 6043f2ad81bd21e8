package alcabala.connectors.adapters.refitline;

import alcabala.connectors.spi.Capability;
import alcabala.connectors.spi.SourceByKey;

/// Refitline, an operational app.
public final class RefitlineKind extends SourceByKey {
    public RefitlineKind() {
        super("refitline", "Refitline", Capability.of(RefitlineSource.class), RefitlineSource::new);
    }
}
