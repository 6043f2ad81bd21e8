package alcabala.server.masters;

import alcabala.accounting.sync.Side;
import alcabala.connectors.spi.Connection;
import alcabala.server.connection.Ledgers;
import alcabala.server.connection.Sources;
import alcabala.server.route.RouteRow;
import org.springframework.stereotype.Component;

/// Both sides of a route.
@Component
class MasterSides {
    private final Sources sources;
    private final Ledgers ledgers;

    MasterSides(Sources sources, Ledgers ledgers) {
        this.sources = sources;
        this.ledgers = ledgers;
    }

    static String name(RouteRow route, Side side) {
        return side == Side.SOURCE ? route.source() : route.ledger();
    }

    Connection of(RouteRow route, Side side) {
        return side == Side.SOURCE ? sources.of(route.sourceId()) : ledgers.of(route.ledgerId());
    }
}
