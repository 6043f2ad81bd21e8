package alcabala.server.send;

import alcabala.server.route.RouteRow;
import java.util.List;
import java.util.Optional;

/// Sends what nobody looks at before it goes.
public interface Sending {
    /// Within a transaction.
    ///
    /// @param ids of one family, side, currency and origin
    /// @return the batch; empty when none of them is ready to go
    Optional<Long> send(RouteRow route, List<Long> ids, String who);

    /// Kinds of records that go only when somebody names one.
    String[] byHand(RouteRow route);
}
