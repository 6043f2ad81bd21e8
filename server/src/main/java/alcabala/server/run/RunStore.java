package alcabala.server.run;

import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Problem;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.sql.Types;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.OptionalLong;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/// The runs that there were.
@Component
class RunStore {
    private static final String COLUMNS = """
            select r.id, r.origin, r.who, r.planned_at, r.missed, r.resumed, r.started_at, r.finished_at, r.state,
                r.sentence, r.problem from run r\s""";
    private final JdbcClient jdbc;
    private final JsonMapper json;
    private final Clock clock;

    /// @param origin `hand` or `schedule`
    /// @param plannedAt null for one by hand
    /// @param missed how many more had been planned since, while none took place
    /// @param resumed how often it was gone on with after its server had ended
    /// @param state `running`, `done` or `failed`
    /// @param problem null unless it failed
    record RunRow(
            long id,
            String origin,
            String who,
            Instant plannedAt,
            int missed,
            int resumed,
            Instant startedAt,
            Instant finishedAt,
            String state,
            String sentence,
            Problem problem) {}

    /// A run whose server has ended.
    record Dead(long id, long routeId, String who) {}

    RunStore(JdbcClient jdbc, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    /// By which the work of a route's run is known.
    static String subject(String route) {
        return "route " + route;
    }

    long byHand(long routeId, String who) {
        return begin(routeId, "hand", who, null, 0);
    }

    /// @param missed how many more had been planned since
    long planned(long routeId, String who, Instant at, int missed) {
        return begin(routeId, "schedule", who, at, missed);
    }

    private long begin(long routeId, String origin, String who, Instant plannedAt, int missed) {
        return jdbc.sql("""
                insert into run (route_id, origin, who, planned_at, missed, started_at, trail_from)
                values (:route, :origin, :who, :planned, :missed, :now, (select coalesce(max(id), 0) from trail)) returning id""")
                .param("route", routeId)
                .param("origin", origin)
                .param("who", who)
                .param("planned", plannedAt == null ? null : Timestamp.from(plannedAt), Types.TIMESTAMP)
                .param("missed", missed)
                .param("now", Timestamp.from(clock.instant()))
                .query(Long.class)
                .single();
    }

    void done(long run, String sentence) {
        finish(run, "done", sentence, null);
    }

    void failed(long run, Problem problem) {
        finish(run, "failed", "", json.writeValueAsString(problem));
    }

    private void finish(long run, String state, String sentence, String problem) {
        jdbc.sql("""
                update run set state = :state, sentence = :sentence, problem = cast(:problem as jsonb), finished_at = :now,
                    trail_to = (select coalesce(max(id), 0) from trail) where id = :id""")
                .param("state", state)
                .param("sentence", sentence)
                .param("problem", problem)
                .param("now", Timestamp.from(clock.instant()))
                .param("id", run)
                .update();
    }

    /// Runs that nobody does any more: the work of one begins before it, ends after it, and is given up soon after its
    /// server has ended.
    List<Dead> dead() {
        return jdbc.sql("""
                select r.id, r.route_id, r.who from run r join route on route.id = r.route_id
                where r.state = 'running' and not exists (
                    select 1 from work w where w.kind = 'PULL' and w.subject = 'route ' || route.code and w.state = 'running')
                order by r.id""").query(Dead.class).list();
    }

    /// Empty when somebody else went on with it.
    OptionalLong resume(long run, int resumedBefore) {
        int rows = jdbc.sql(
                        "update run set resumed = resumed + 1 where id = :id and state = 'running' and resumed = :before")
                .param("id", run)
                .param("before", resumedBefore)
                .update();
        return rows > 0 ? OptionalLong.of(run) : OptionalLong.empty();
    }

    int resumed(long run) {
        return jdbc.sql("select resumed from run where id = :id")
                .param("id", run)
                .query(Integer.class)
                .single();
    }

    /// The newest first.
    ///
    /// @param before only those before this one; null for the newest
    List<RunRow> page(long routeId, Long before, int limit) {
        return jdbc.sql(COLUMNS + "where r.route_id = :route and r.id < :before order by r.id desc limit :limit")
                .param("route", routeId)
                .param("before", before == null ? Long.MAX_VALUE : before)
                .param("limit", limit)
                .query(this::row)
                .list();
    }

    RunRow get(long routeId, long run) {
        return jdbc.sql(COLUMNS + "where r.route_id = :route and r.id = :id")
                .param("route", routeId)
                .param("id", run)
                .query(this::row)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("run " + run));
    }

    private RunRow row(ResultSet row, int n) throws SQLException {
        String problem = row.getString("problem");
        return new RunRow(
                row.getLong("id"),
                row.getString("origin"),
                row.getString("who"),
                instant(row.getTimestamp("planned_at")),
                row.getInt("missed"),
                row.getInt("resumed"),
                row.getTimestamp("started_at").toInstant(),
                instant(row.getTimestamp("finished_at")),
                row.getString("state"),
                row.getString("sentence"),
                problem == null ? null : json.readValue(problem, Problem.class));
    }

    private static Instant instant(Timestamp moment) {
        return moment == null ? null : moment.toInstant();
    }
}
