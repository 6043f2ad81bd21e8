package alcabala.connectors.adapters.hullwork;

import alcabala.connectors.Access;
import alcabala.connectors.source.Approves;
import alcabala.connectors.source.TellsChanges;
import alcabala.connectors.spi.Capability;
import alcabala.connectors.spi.Connection;
import alcabala.connectors.spi.ConnectionKind;
import alcabala.connectors.spi.Entry;
import alcabala.connectors.spi.Place;
import alcabala.connectors.spi.Side;
import java.util.Set;

/// Hullwork, an operational app.
public final class HullworkKind implements ConnectionKind {
    @Override
    public String code() {
        return "hullwork";
    }

    @Override
    public String name() {
        return "Hullwork";
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
        return Set.of(TellsChanges.class, Approves.class);
    }

    @Override
    public Connection open(Place place, Access access) {
        return Connection.of(name(), new HullworkSource(place, access));
    }
}
