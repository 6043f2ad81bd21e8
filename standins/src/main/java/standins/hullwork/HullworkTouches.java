package standins.hullwork;

import java.time.Clock;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import standins.touched.Hands;
import standins.touched.Touches;
import standins.touched.Touches.Touch;

/// When each record of the yard was last changed, and by whom; not which of its fields.
@Component
class HullworkTouches {
    private static final String OFFICE = "N. Cleat";
    private final Touches touches;
    private final Hands hands;
    private final Clock clock;

    HullworkTouches(JdbcClient jdbc, Hands hands, Clock clock) {
        this.touches = new Touches(jdbc, "hullwork_touched");
        this.hands = hands;
        this.clock = clock;
    }

    /// By whose request it is that is answered.
    void note(String type, String id) {
        touches.note(type, id, List.of(""), clock.instant(), hands.now(OFFICE));
    }

    List<Touch> of(String type, List<String> ids) {
        return touches.of(type, ids, hands.now(OFFICE));
    }
}
