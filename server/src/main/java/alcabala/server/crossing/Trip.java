package alcabala.server.crossing;

import alcabala.accounting.party.Party;
import alcabala.connectors.spi.Connection;
import alcabala.server.route.RouteRow;
import java.util.Map;
import java.util.Queue;
import java.util.Set;
import java.util.function.Supplier;

/// One run over a route: where it leads, and the ledger as it is spoken to, opened when it is first needed.
///
/// @param source the app, for what goes back to it
/// @param newcomers who is on the ledger by now
/// @param created parties that this run created there
/// @param items that were seen there on this run
/// @param ahead postings that are next, by their numbers
record Trip(
        RouteRow route,
        Supplier<Connection> ledger,
        Supplier<Connection> source,
        Newcomers newcomers,
        Queue<Party> created,
        Set<String> items,
        Map<Long, Frozen> ahead) {
    /// The side that a dispatch goes to.
    Connection to(Dispatch dispatch) {
        return (dispatch.back() ? source : ledger).get();
    }

    /// Our name there for what goes. What was entered on the ledger is known by the ledger's own.
    String reference(Dispatch dispatch) {
        return dispatch.back() ? dispatch.sourceRef() : route.reference(dispatch.sourceRef());
    }

    /// The side that a dispatch goes to, as people say it.
    String name(Dispatch dispatch) {
        return dispatch.back() ? route.source() : route.ledger();
    }
}
