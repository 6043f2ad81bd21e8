package alcabala.server.practise;

import alcabala.server.route.RouteRow;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Which faults were made to happen, and what became of each.
@Component
class PracticeStore {
    private static final int SHOWN = 50;
    private static final String COLUMNS =
            "select id, fault, subject, by, begun_at, named_at, righted_at, given_up_at from practice where route_id = :route";
    private final JdbcClient jdbc;
    private final Clock clock;

    /// @param subject what it befell, as Resolve may call it, separated by spaces; empty for the route
    /// @param namedAt when Resolve was first seen to name it; null until then
    /// @param rightedAt when it was first seen to name it no longer; null until then
    record Practice(
            long id,
            Fault fault,
            String subject,
            String by,
            Instant begunAt,
            Instant namedAt,
            Instant rightedAt,
            Instant givenUpAt) {
        boolean isOpen() {
            return rightedAt == null && givenUpAt == null;
        }

        Set<String> subjects() {
            return subject.isEmpty() ? Set.of() : Set.of(subject.split(" "));
        }
    }

    PracticeStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    long begin(RouteRow route, Fault fault, Set<String> subjects, String by) {
        return jdbc.sql("""
                insert into practice (route_id, fault, subject, by, begun_at)
                values (:route, :fault, :subject, :by, :now) returning id""")
                .param("route", route.id())
                .param("fault", fault.name())
                .param("subject", String.join(" ", subjects))
                .param("by", by)
                .param("now", now())
                .query(Long.class)
                .single();
    }

    void forget(long id) {
        jdbc.sql("delete from practice where id = :id").param("id", id).update();
    }

    void named(long id) {
        mark(id, "named_at");
    }

    void righted(long id) {
        mark(id, "righted_at");
    }

    boolean giveUp(long id) {
        return mark(id, "given_up_at") > 0;
    }

    private int mark(long id, String when) {
        return jdbc.sql("update practice set " + when + " = :now where id = :id and " + when
                        + " is null and righted_at is null and given_up_at is null")
                .param("now", now())
                .param("id", id)
                .update();
    }

    /// The latest first.
    List<Practice> latest(RouteRow route) {
        return jdbc.sql(COLUMNS + " order by id desc limit :shown")
                .param("route", route.id())
                .param("shown", SHOWN)
                .query(Practice.class)
                .list();
    }

    List<Practice> open(RouteRow route) {
        return jdbc.sql(COLUMNS + " and righted_at is null and given_up_at is null order by id")
                .param("route", route.id())
                .query(Practice.class)
                .list();
    }

    /// Codes of routes on which something is practised.
    List<String> routes() {
        return jdbc.sql("""
                select distinct r.code from practice p join route r on r.id = p.route_id
                where p.righted_at is null and p.given_up_at is null""").query(String.class).list();
    }

    private Timestamp now() {
        return Timestamp.from(clock.instant());
    }
}
