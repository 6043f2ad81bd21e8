package alcabala.connectors.adapters.inkwell;

import alcabala.connectors.Access;
import alcabala.connectors.spi.Capability;
import alcabala.connectors.spi.Connection;
import alcabala.connectors.spi.ConnectionKind;
import alcabala.connectors.spi.Entry;
import alcabala.connectors.spi.Place;
import alcabala.connectors.spi.Side;
import java.util.List;
import java.util.Set;

/// Inkwell, a ledger that keeps the books of several companies and is entered by consent.
public final class InkwellKind implements ConnectionKind {
    @Override
    public String code() {
        return "inkwell";
    }

    @Override
    public String name() {
        return "Inkwell";
    }

    @Override
    public Side side() {
        return Side.LEDGER;
    }

    @Override
    public Entry entry() {
        return new Entry.ByConsent("/oauth/authorize", "/oauth/token", List.of("books.read", "books.write"));
    }

    @Override
    public Set<Class<? extends Capability>> can() {
        return Capability.of(InkwellDoor.class, InkwellLedger.class);
    }

    @Override
    public String desk(Place place) {
        return place.address() + "/books/" + place.company();
    }

    @Override
    public Connection open(Place place, Access access) {
        InkwellDoor door = new InkwellDoor(place, access);
        return place.company().isEmpty()
                ? Connection.of(name(), door)
                : Connection.of(name(), door, new InkwellLedger(place, access));
    }
}
