package alcabala.server.crossing;

import alcabala.server.route.RouteRow;
import java.util.List;
import java.util.Map;

/// Takes in what people entered on a ledger: documents, and what settles documents of a route.
public interface AfterNews {
    /// @return why those stay there that are not taken in, by their ids
    Map<String, String> entered(RouteRow route, List<Entered> records, String who);
}
