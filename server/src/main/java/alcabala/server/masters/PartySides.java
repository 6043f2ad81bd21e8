package alcabala.server.masters;

import alcabala.accounting.party.Party;
import alcabala.accounting.sync.Side;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.ledger.RewritesParties;
import alcabala.connectors.ledger.RewritesParties.PartyThere;
import alcabala.connectors.source.SourceChange;
import alcabala.connectors.spi.Connection;
import alcabala.server.connection.Ledgers;
import alcabala.server.connection.Sources;
import alcabala.server.reference.LedgerReference;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/// The parties of both sides of a route: as they are there, and as they are known here.
@Component
class PartySides {
    private final Sources sources;
    private final Ledgers ledgers;
    private final SourceCatalogue catalogue;
    private final LedgerReference reference;

    PartySides(Sources sources, Ledgers ledgers, SourceCatalogue catalogue, LedgerReference reference) {
        this.sources = sources;
        this.ledgers = ledgers;
        this.catalogue = catalogue;
        this.reference = reference;
    }

    static String name(RouteRow route, Side side) {
        return side == Side.SOURCE ? route.source() : route.ledger();
    }

    /// @throws UnreachableException when it does not answer
    Optional<PartyThere> find(RouteRow route, Side side, String code) {
        return of(route, side).findParty(code);
    }

    RewritesParties of(RouteRow route, Side side) {
        Connection connection = side == Side.SOURCE ? sources.of(route.sourceId()) : ledgers.of(route.ledgerId());
        return connection.get(RewritesParties.class);
    }

    /// What is known here is as it stands there by now, before anybody tells of it: what was written is no news.
    void know(RouteRow route, Side side, Party party) {
        if (side == Side.SOURCE) {
            catalogue.keep(route.sourceId(), List.of(new SourceChange.PartyChanged(party)));
        } else {
            reference.rewritten(route.ledgerId(), party);
        }
    }
}
