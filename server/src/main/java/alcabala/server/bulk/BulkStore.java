package alcabala.server.bulk;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.platform.Copy;
import alcabala.server.platform.DocumentJson;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import javax.sql.DataSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Changes of many rows at once: as they were tried, done, and taken back.
@Component
class BulkStore {
    private static final int LISTED = 200;
    private final JdbcClient jdbc;
    private final DataSource dataSource;
    private final Clock clock;

    enum State {
        TRIED,
        DONE,
        UNDONE
    }

    /// @param fileName empty for a choice of codes
    record Bulk(
            long id,
            long routeId,
            RowKind kind,
            String fileName,
            String madeBy,
            Instant madeAt,
            State state,
            String doneBy,
            Instant doneAt,
            String undoneBy,
            Instant undoneAt,
            int rows) {}

    /// @param line in the file; 0 for a choice of codes
    /// @param before null for no row, as is after
    record Changing(String code, int line, int version, Meaning before, Meaning after) {
        boolean isNew() {
            return before == null;
        }

        boolean isTakenAway() {
            return after == null;
        }
    }

    /// @param became the version that it was changed to; null where it was taken away, or was not changed yet
    record Done(Changing change, Integer became) {}

    BulkStore(JdbcClient jdbc, DataSource dataSource, Clock clock) {
        this.jdbc = jdbc;
        this.dataSource = dataSource;
        this.clock = clock;
    }

    /// @param sha256 of the file; null for a choice of codes
    long add(RouteRow route, RowKind kind, String fileName, byte[] sha256, List<Changing> rows, String who) {
        long id = jdbc.sql("""
                insert into bulk_change (route_id, kind, file_name, sha256, made_by, made_at)
                values (:route, :kind, :name, :hash, :who, :now) returning id""")
                .param("route", route.id())
                .param("kind", kind.name())
                .param("name", fileName)
                .param("hash", sha256)
                .param("who", who)
                .param("now", Timestamp.from(clock.instant()))
                .query(Long.class)
                .single();
        Copy copy = new Copy();
        rows.forEach(row -> copy.value(id)
                .value(row.code())
                .value(row.line())
                .value(row.version())
                .value(row.before() == null ? null : DocumentJson.write(row.before()))
                .value(row.after() == null ? null : DocumentJson.write(row.after()))
                .endRow());
        copy.send(dataSource, "bulk_change_row (bulk_change_id, code, line, version, before, after)");
        return id;
    }

    /// What was only tried is let go after a day.
    void forgetTried() {
        jdbc.sql("delete from bulk_change where state = 'TRIED' and made_at < :day")
                .param("day", Timestamp.from(clock.instant().minusSeconds(24L * 60 * 60)))
                .update();
    }

    /// Those that were done, the newest first.
    List<Bulk> done(long routeId) {
        return jdbc.sql(SELECT + " where b.route_id = :route and b.state <> 'TRIED' order by b.id desc limit " + LISTED)
                .param("route", routeId)
                .query(BulkStore::bulk)
                .list();
    }

    Bulk get(long id) {
        return jdbc.sql(SELECT + " where b.id = :id")
                .param("id", id)
                .query(BulkStore::bulk)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("change " + id));
    }

    /// In the order of the file.
    List<Done> rows(long id) {
        return jdbc.sql("select * from bulk_change_row where bulk_change_id = :id order by line, code")
                .param("id", id)
                .query((row, n) -> new Done(
                        new Changing(
                                row.getString("code"),
                                row.getInt("line"),
                                row.getInt("version"),
                                meaning(row, "before"),
                                meaning(row, "after")),
                        row.getObject("became", Integer.class)))
                .list();
    }

    /// Compare-and-set.
    void settle(Bulk bulk, State from, State to, String who) {
        String at = to == State.DONE ? "done" : "undone";
        int changed = jdbc.sql(
                        "update bulk_change set state = :to, %1$s_by = :who, %1$s_at = :now where id = :id and state = :from"
                                .formatted(at))
                .param("id", bulk.id())
                .param("from", from.name())
                .param("to", to.name())
                .param("who", who)
                .param("now", Timestamp.from(clock.instant()))
                .update();
        if (changed == 0) {
            throw NotPossibleException.conflict(
                    "changed-meanwhile", "This change was done or taken back meanwhile; look at it again.");
        }
    }

    /// @param versions that the rows were changed to, by code
    void became(long id, Map<String, Integer> versions) {
        jdbc.sql("""
                update bulk_change_row r set became = v.version
                from unnest(cast(:codes as text[]), cast(:versions as int[])) as v(code, version)
                where r.bulk_change_id = :id and r.code = v.code""")
                .param("id", id)
                .param("codes", versions.keySet().toArray(String[]::new))
                .param("versions", versions.values().toArray(Integer[]::new))
                .update();
    }

    private static Meaning meaning(ResultSet row, String column) throws SQLException {
        String json = row.getString(column);
        return json == null ? null : DocumentJson.read(json, Meaning.class);
    }

    private static Bulk bulk(ResultSet row, int n) throws SQLException {
        return new Bulk(
                row.getLong("id"),
                row.getLong("route_id"),
                RowKind.valueOf(row.getString("kind")),
                row.getString("file_name"),
                row.getString("made_by"),
                row.getTimestamp("made_at").toInstant(),
                State.valueOf(row.getString("state")),
                row.getString("done_by"),
                moment(row, "done_at"),
                row.getString("undone_by"),
                moment(row, "undone_at"),
                row.getInt("rows"));
    }

    private static Instant moment(ResultSet row, String column) throws SQLException {
        Timestamp moment = row.getTimestamp(column);
        return moment == null ? null : moment.toInstant();
    }

    private static final String SELECT = """
            select b.*, (select count(*) from bulk_change_row r where r.bulk_change_id = b.id) as rows from bulk_change b""";
}
