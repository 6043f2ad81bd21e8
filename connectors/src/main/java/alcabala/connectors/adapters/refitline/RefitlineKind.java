package alcabala.connectors.adapters.refitline;

import alcabala.connectors.Access;
import alcabala.connectors.source.TellsChanges;
import alcabala.connectors.spi.Capability;
import alcabala.connectors.spi.Connection;
import alcabala.connectors.spi.ConnectionKind;
import alcabala.connectors.spi.Entry;
import alcabala.connectors.spi.Place;
import alcabala.connectors.spi.Side;
import java.util.Set;

/// Refitline, an operational app.
public final class RefitlineKind implements ConnectionKind {
    @Override
    public String code() {
        return "refitline";
    }

    @Override
    public String name() {
        return "Refitline";
    }

    @Override
    public Side side() {
        return Side.SOURCE;
    }

    @Override
    public Entry entry() {
        return new Entry.ByKey();
    }

    @Override
    public Set<Class<? extends Capability>> can() {
        return Set.of(TellsChanges.class);
    }

    @Override
    public Connection open(Place place, Access access) {
        return Connection.of(name(), new RefitlineSource(place, access));
    }
}
