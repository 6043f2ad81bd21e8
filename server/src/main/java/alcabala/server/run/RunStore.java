package alcabala.server.run;

import alcabala.accounting.setting.Carried;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Problem;
import java.sql.Array;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.sql.Types;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/// The runs that there were.
@Component
class RunStore {
    private static final Duration KEPT = Duration.ofDays(30);
    private static final String COLUMNS = """
            select r.id, r.origin, r.who, r.planned_at, r.missed, r.resumed, r.started_at, r.finished_at, r.state,
                r.sentence, r.problem, r.carried, coalesce(cardinality(r.records), 0) as records, coalesce((
                    select number from record where id = r.records[1]), '') as first_number from run r\s""";
    private final JdbcClient jdbc;
    private final JsonMapper json;
    private final Clock clock;

    /// @param origin `hand` or `schedule`
    /// @param plannedAt null for one by hand
    /// @param missed how many more had been planned since, while none took place
    /// @param resumed how often it was gone on with after its server had ended
    /// @param state `running`, `done` or `failed`
    /// @param problem null unless it failed
    /// @param carried what it is of; null for all of the route, or for single records
    /// @param records how many single ones it is of; 0 for one that is not
    /// @param number of the first of these; empty where there are none
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
            Problem problem,
            Carried carried,
            int records,
            String number) {
        boolean isOfRoute() {
            return carried == null && records == 0;
        }
    }

    /// A run whose server has ended.
    record Dead(long id, long routeId, String who, Extent extent) {}

    RunStore(JdbcClient jdbc, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    /// By which the work of a route's run is known.
    static String subject(String route) {
        return "route " + route;
    }

    long byHand(long routeId, Extent extent, String who) {
        return begin(routeId, "hand", extent, who, null, 0);
    }

    /// @param missed how many more had been planned since
    long planned(long routeId, String who, Instant at, int missed) {
        return begin(routeId, "schedule", Extent.ROUTE, who, at, missed);
    }

    private long begin(long routeId, String origin, Extent extent, String who, Instant plannedAt, int missed) {
        return jdbc.sql("""
                insert into run (route_id, origin, who, planned_at, missed, started_at, trail_from, carried, records)
                values (:route, :origin, :who, :planned, :missed, :now, (select coalesce(max(id), 0) from trail), :carried,
                    :records) returning id""")
                .param(
                        "carried",
                        extent.carried() == null ? null : extent.carried().name(),
                        Types.VARCHAR)
                .param(
                        "records",
                        extent.records() == null ? null : extent.records().toArray(Long[]::new),
                        Types.ARRAY)
                .param("route", routeId)
                .param("origin", origin)
                .param("who", who)
                .param("planned", plannedAt == null ? null : Timestamp.from(plannedAt), Types.TIMESTAMP)
                .param("missed", missed)
                .param("now", Timestamp.from(clock.instant()))
                .query(Long.class)
                .single();
    }

    /// @param news whether something came of it
    void done(long run, String sentence, boolean news) {
        finish(run, "done", sentence, news, null);
    }

    void failed(long run, Problem problem) {
        finish(run, "failed", "", true, json.writeValueAsString(problem));
    }

    private void finish(long run, String state, String sentence, boolean news, String problem) {
        jdbc.sql("""
                update run set state = :state, sentence = :sentence, news = :news, problem = cast(:problem as jsonb), finished_at = :now,
                    trail_to = (select coalesce(max(id), 0) from trail) where id = :id""")
                .param("state", state)
                .param("sentence", sentence)
                .param("problem", problem)
                .param("news", news)
                .param("now", Timestamp.from(clock.instant()))
                .param("id", run)
                .update();
    }

    /// Those of the clock of which nothing came and none of which was missed, a month later: with one every five
    /// minutes they are a hundred thousand in a year. Of each route the newest stays, and what a person began.
    @Scheduled(fixedRate = 3_600_000)
    void forget() {
        jdbc.sql("""
                delete from run r where r.origin = 'schedule' and r.state = 'done' and not r.news and r.missed = 0
                    and r.finished_at < :then
                    and exists (select 1 from run later where later.route_id = r.route_id and later.id > r.id)""").param("then", Timestamp.from(clock.instant().minus(KEPT))).update();
    }

    /// Runs that nobody does any more: the work of one begins before it, ends after it, and is given up soon after its
    /// server has ended.
    List<Dead> dead() {
        return jdbc.sql("""
                select r.id, r.route_id, r.who, r.carried, r.records from run r join route on route.id = r.route_id
                where r.state = 'running' and not exists (
                    select 1 from work w where w.kind = 'PULL' and w.subject = 'route ' || route.code and w.state = 'running')
                order by r.id""").query(RunStore::deadRun).list();
    }

    private static Dead deadRun(ResultSet row, int n) throws SQLException {
        Array records = row.getArray("records");
        Extent extent =
                records == null ? new Extent(carried(row), null) : Extent.of(List.of((Long[]) records.getArray()));
        return new Dead(row.getLong("id"), row.getLong("route_id"), row.getString("who"), extent);
    }

    private static Carried carried(ResultSet row) throws SQLException {
        String carried = row.getString("carried");
        return carried == null ? null : Carried.valueOf(carried);
    }

    /// The one of a route that is under way.
    Optional<RunRow> findRunning(long routeId) {
        return jdbc.sql(COLUMNS + "where r.route_id = :route and r.state = 'running' order by r.id desc limit 1")
                .param("route", routeId)
                .query(this::row)
                .optional();
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

    /// Which runs are meant.
    enum Only {
        ALL("true"),
        NEWS("(r.news or r.state = 'running')"),
        FAILED("r.state = 'failed'"),
        BY_HAND("r.origin = 'hand'"),
        BY_SCHEDULE("r.origin = 'schedule'");

        private final String condition;

        Only(String condition) {
            this.condition = condition;
        }
    }

    /// The newest first.
    ///
    /// @param before only those before this one; null for the newest
    List<RunRow> page(long routeId, Only only, Long before, int limit) {
        return jdbc.sql(COLUMNS + "where r.route_id = :route and r.id < :before and " + only.condition
                        + " order by r.id desc limit :limit")
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
                problem == null ? null : json.readValue(problem, Problem.class),
                carried(row),
                row.getInt("records"),
                row.getString("first_number"));
    }

    private static Instant instant(Timestamp moment) {
        return moment == null ? null : moment.toInstant();
    }
}
