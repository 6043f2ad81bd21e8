package alcabala.server.load;

import alcabala.server.load.Load.State;
import alcabala.server.platform.NotPossibleException;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Keeps loads, how far each has come, and the batches that it made.
@Component
class LoadStore {
    private final JdbcClient jdbc;
    private final Clock clock;

    /// How a batch of a load stands.
    ///
    /// @param waiting those that did not get through, or of which nobody knows
    record Made(long id, int count, int posted, int refused, int waiting, boolean finished) {}

    LoadStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    long add(long route, LocalDate since, int perMinute, int planned, String who) {
        try {
            return jdbc.sql("""
                    insert into history_load (route_id, since, per_minute, made_by, made_at, planned)
                    values (:route, :since, :pace, :who, :now, :planned) returning id""")
                    .param("route", route)
                    .param("since", since)
                    .param("pace", perMinute)
                    .param("who", who)
                    .param("now", Timestamp.from(clock.instant()))
                    .param("planned", planned)
                    .query(Long.class)
                    .single();
        } catch (DuplicateKeyException e) {
            throw NotPossibleException.conflict(
                    "load-open", "A load of this route is under way or stopped. Go on with it, or end it, first.");
        }
    }

    Load get(long id) {
        return find("id = :key", id).orElseThrow(() -> NotPossibleException.missing("load " + id));
    }

    /// The last one of a route, whatever became of it.
    Optional<Load> findLast(long route) {
        return find("route_id = :key order by id desc limit 1", route);
    }

    private Optional<Load> find(String which, long key) {
        return jdbc.sql("""
                select id, route_id, since, per_minute, state, reason, made_by, made_at, ended_at, planned, at_phase, at_day, at_id,
                    heeded, version from history_load where\s""" + which).param("key", key).query(LoadStore::load).optional();
    }

    /// Compare-and-set: it is behind a record now, in the transaction that made a batch of those before it.
    boolean passed(Load load, String phase, LocalDate day, long id) {
        return jdbc.sql("""
                        update history_load set at_phase = :phase, at_day = :day, at_id = :at, version = version + 1
                        where id = :id and version = :version and state = 'RUNNING\'""")
                        .param("phase", phase)
                        .param("day", day)
                        .param("at", id)
                        .param("id", load.id())
                        .param("version", load.version())
                        .update()
                > 0;
    }

    void made(long load, long batch) {
        jdbc.sql("insert into history_load_batch (load_id, batch_id) values (:load, :batch)")
                .param("load", load)
                .param("batch", batch)
                .update();
    }

    /// Compare-and-set on what it was.
    boolean become(long id, State was, State state, String reason) {
        return jdbc.sql("""
                        update history_load set state = :state, reason = :reason, version = version + 1,
                            heeded = case when :state <> 'RUNNING' then heeded else coalesce((
                                select max(batch_id) from history_load_batch where load_id = :id), 0) end,
                            ended_at = case when :state = 'DONE' then cast(:now as timestamptz) end
                        where id = :id and state = :was""")
                        .param("state", state.name())
                        .param("reason", reason)
                        .param("now", Timestamp.from(clock.instant()), java.sql.Types.TIMESTAMP)
                        .param("id", id)
                        .param("was", was.name())
                        .update()
                > 0;
    }

    /// Newest first.
    List<Made> batches(long load) {
        return jdbc.sql(MADE.formatted("h.load_id = :load"))
                .param("load", load)
                .query(Made.class)
                .list();
    }

    Optional<Made> findLastBatch(long load) {
        return jdbc.sql(MADE.formatted(
                        "h.batch_id = (select max(l.batch_id) from history_load_batch l where l.load_id = :load)"))
                .param("load", load)
                .query(Made.class)
                .optional();
    }

    private static final String MADE = """
                select b.id, b.count, count(*) filter (where p.outcome = 'posted') as posted,
                    count(*) filter (where p.outcome = 'refused') as refused,
                    count(*) filter (where p.outcome = 'unreached' or p.rests) as waiting, b.finished_at is not null as finished
                from history_load_batch h join batch b on b.id = h.batch_id left join dispatch p on p.batch_id = b.id
                where %s group by b.id order by b.id desc""";

    private static Load load(ResultSet row, int n) throws SQLException {
        Timestamp ended = row.getTimestamp("ended_at");
        return new Load(
                row.getLong("id"),
                row.getLong("route_id"),
                row.getObject("since", LocalDate.class),
                row.getInt("per_minute"),
                State.valueOf(row.getString("state")),
                row.getString("reason"),
                row.getString("made_by"),
                row.getTimestamp("made_at").toInstant(),
                ended == null ? null : ended.toInstant(),
                row.getInt("planned"),
                row.getString("at_phase"),
                row.getObject("at_day", LocalDate.class),
                row.getLong("at_id"),
                row.getLong("heeded"),
                row.getInt("version"));
    }
}
