package alcabala.server.crossing;

import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.route.RouteRow;
import java.util.List;

/// Takes in what people entered on a ledger and what settles documents of a route.
public interface AfterNews {
    void entered(RouteRow route, List<LedgerRecord> records, String who);
}
