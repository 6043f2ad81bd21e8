package alcabala.connectors.spi;

import alcabala.connectors.Access;
import java.util.Set;
import java.util.function.BiFunction;

/// The usual kind of operational app: one gets in by a key, and one object does all that it can.
public abstract class SourceByKey implements ConnectionKind {
    private final String code;
    private final String name;
    private final Set<Class<? extends Capability>> can;
    private final BiFunction<Place, Access, Capability> opens;

    protected SourceByKey(
            String code,
            String name,
            Set<Class<? extends Capability>> can,
            BiFunction<Place, Access, Capability> opens) {
        this.code = code;
        this.name = name;
        this.can = Set.copyOf(can);
        this.opens = opens;
    }

    @Override
    public String code() {
        return code;
    }

    @Override
    public String name() {
        return name;
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
        return can;
    }

    @Override
    public Connection open(Place place, Access access) {
        return Connection.of(name, opens.apply(place, access));
    }
}
