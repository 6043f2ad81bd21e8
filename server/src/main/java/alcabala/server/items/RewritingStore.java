package alcabala.server.items;

import alcabala.connectors.ledger.LedgerItem;
import alcabala.server.items.Rewriting.Row;
import alcabala.server.items.Rewriting.RowState;
import alcabala.server.items.Rewriting.State;
import alcabala.server.platform.Copy;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import javax.sql.DataSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/// Keeps rewritings with their rows; one that was only listed is let go after a day.
@Component
class RewritingStore {
    private static final Duration KEPT = Duration.ofDays(1);
    private final JdbcClient jdbc;
    private final DataSource dataSource;
    private final Clock clock;
    private final JsonMapper json;

    RewritingStore(JdbcClient jdbc, DataSource dataSource, Clock clock, JsonMapper json) {
        this.jdbc = jdbc;
        this.dataSource = dataSource;
        this.clock = clock;
        this.json = json;
    }

    long add(RouteRow route, List<Row> rows, String who) {
        jdbc.sql("delete from item_rewriting where state = 'LISTED' and made_at < :day")
                .param("day", Timestamp.from(clock.instant().minus(KEPT)))
                .update();
        long id = jdbc.sql("""
                insert into item_rewriting (route_id, made_by, made_at) values (:route, :who, :now) returning id""")
                .param("route", route.id())
                .param("who", who)
                .param("now", Timestamp.from(clock.instant()))
                .query(Long.class)
                .single();
        Copy copy = new Copy();
        rows.forEach(row -> copy.value(id)
                .value(row.code())
                .value(row.there())
                .value(json.writeValueAsString(row.before()))
                .value(json.writeValueAsString(row.after()))
                .endRow());
        copy.send(dataSource, "item_rewriting_row (item_rewriting_id, code, there, before, after)");
        return id;
    }

    Rewriting get(long id) {
        return jdbc.sql(SELECT + " where w.id = :id")
                .param("id", id)
                .query(RewritingStore::rewriting)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("rewriting " + id));
    }

    /// The one that was begun last, if any.
    Optional<Rewriting> findLast(long routeId) {
        return jdbc.sql(SELECT + " where w.route_id = :route and w.state <> 'LISTED' order by w.id desc limit 1")
                .param("route", routeId)
                .query(RewritingStore::rewriting)
                .optional();
    }

    /// In the order of the ledger's codes.
    ///
    /// @param after the ledger's code of the last one seen; empty for the first
    List<Row> rows(long id, RowState state, String after, int limit) {
        return jdbc.sql("""
                select * from item_rewriting_row where item_rewriting_id = :id and state = :state and there > :after
                order by there limit :limit""")
                .param("id", id)
                .param("state", state.name())
                .param("after", after)
                .param("limit", limit)
                .query(this::row)
                .list();
    }

    /// Compare-and-set, so that one server at a time goes on with it.
    void begin(Rewriting rewriting, String who) {
        int changed = jdbc.sql("""
                update item_rewriting set state = 'RUNNING', reason = '', begun_at = :now, begun_by = :who
                where id = :id and state = :was""")
                .param("who", who)
                .param("now", Timestamp.from(clock.instant()))
                .param("id", rewriting.id())
                .param("was", rewriting.state().name())
                .update();
        if (changed == 0) {
            throw NotPossibleException.conflict(
                    "changed-meanwhile", "Somebody began it or stopped it meanwhile; look at it again.");
        }
    }

    /// What could not be done before is tried once more.
    void openAgain(long id) {
        jdbc.sql(
                        "update item_rewriting_row set state = 'OPEN', sentence = '' where item_rewriting_id = :id and state = 'LEFT'")
                .param("id", id)
                .update();
    }

    /// @param reason empty when it is done
    void end(long id, String reason) {
        jdbc.sql("update item_rewriting set state = :state, reason = :reason where id = :id and state = 'RUNNING'")
                .param("state", (reason.isEmpty() ? State.DONE : State.STOPPED).name())
                .param("reason", reason)
                .param("id", id)
                .update();
    }

    boolean isRunning(long id) {
        return jdbc.sql("select state = 'RUNNING' from item_rewriting where id = :id")
                .param("id", id)
                .query(Boolean.class)
                .single();
    }

    /// @param sentence why it was left; empty when it was done
    void settle(long id, Row row, String sentence) {
        jdbc.sql("""
                update item_rewriting_row set state = :state, sentence = :sentence
                where item_rewriting_id = :id and there = :there""")
                .param("state", (sentence.isEmpty() ? RowState.DONE : RowState.LEFT).name())
                .param("sentence", sentence)
                .param("id", id)
                .param("there", row.there())
                .update();
    }

    private Row row(ResultSet row, int n) throws SQLException {
        return new Row(
                row.getString("code"),
                json.readValue(row.getString("before"), LedgerItem.class),
                json.readValue(row.getString("after"), LedgerItem.class),
                RowState.valueOf(row.getString("state")),
                row.getString("sentence"));
    }

    private static Rewriting rewriting(ResultSet row, int n) throws SQLException {
        Timestamp begun = row.getTimestamp("begun_at");
        return new Rewriting(
                row.getLong("id"),
                row.getLong("route_id"),
                row.getString("made_by"),
                row.getTimestamp("made_at").toInstant(),
                State.valueOf(row.getString("state")),
                row.getString("reason"),
                row.getString("begun_by"),
                begun == null ? null : begun.toInstant(),
                row.getInt("open"),
                row.getInt("done"),
                row.getInt("left_alone"));
    }

    private static final String SELECT = """
            select w.*, c.open, c.done, c.left_alone from item_rewriting w cross join lateral (
                select count(*) filter (where r.state = 'OPEN') as open, count(*) filter (where r.state = 'DONE') as done,
                    count(*) filter (where r.state = 'LEFT') as left_alone
                from item_rewriting_row r where r.item_rewriting_id = w.id) c""";
}
