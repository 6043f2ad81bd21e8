package alcabala.server.crossing;

import alcabala.accounting.party.Party;
import alcabala.connectors.spi.Connection;
import alcabala.server.route.RouteRow;
import java.util.Queue;
import java.util.function.Supplier;

/// One run over a route: where it leads, and the ledger as it is spoken to, opened when it is first needed.
///
/// @param newcomers who is on the ledger by now
/// @param created parties that this run created there
record Trip(RouteRow route, Supplier<Connection> ledger, Newcomers newcomers, Queue<Party> created) {}
