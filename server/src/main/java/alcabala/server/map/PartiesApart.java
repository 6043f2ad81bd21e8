package alcabala.server.map;

import alcabala.server.map.TwinsApi.Side;
import alcabala.server.route.RouteRow;
import alcabala.server.trail.Trail;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Pairs of which somebody said that they are two.
@Component
class PartiesApart {
    private final JdbcClient jdbc;
    private final Trail trail;
    private final Clock clock;

    /// @param one the code that comes first
    record Pair(String one, String other) {
        static Pair of(String some, String another) {
            return some.compareTo(another) < 0 ? new Pair(some, another) : new Pair(another, some);
        }
    }

    PartiesApart(JdbcClient jdbc, Trail trail, Clock clock) {
        this.jdbc = jdbc;
        this.trail = trail;
        this.clock = clock;
    }

    Set<Pair> of(RouteRow route, Side side) {
        return new HashSet<>(jdbc.sql("select one, other from party_apart where " + column(side) + " = :owner")
                .param("owner", owner(route, side))
                .query(Pair.class)
                .list());
    }

    @Transactional
    public void say(RouteRow route, Side side, Pair pair, boolean apart, String who) {
        String sql = apart
                ? "insert into party_apart (%s, one, other, said_by, said_at) values (:owner, :one, :other, :who, :now) on conflict do nothing"
                : "delete from party_apart where %s = :owner and one = :one and other = :other";
        int changed = jdbc.sql(sql.formatted(column(side)))
                .param("owner", owner(route, side))
                .param("one", pair.one())
                .param("other", pair.other())
                .param("who", who)
                .param("now", Timestamp.from(clock.instant()))
                .update();
        if (changed > 0) {
            String action = apart ? "said-to-be-two" : "no-longer-said-to-be-two";
            trail.write(route.id(), null, who, action, Map.of("one", pair.one(), "other", pair.other()));
        }
    }

    private static String column(Side side) {
        return side == Side.SOURCE ? "source_id" : "ledger_id";
    }

    private static long owner(RouteRow route, Side side) {
        return side == Side.SOURCE ? route.sourceId() : route.ledgerId();
    }
}
