package alcabala.server.compile;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.Routes;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The rows of the crosswalk and every state they ever had.
@Component
public class CrosswalkStore {
    private final JdbcClient jdbc;
    private final Routes routes;
    private final Clock clock;

    CrosswalkStore(JdbcClient jdbc, Routes routes, Clock clock) {
        this.routes = routes;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    public List<CrosswalkRow> rows(long routeId) {
        return jdbc.sql(SELECT + " where route_id = :route")
                .param("route", routeId)
                .query(CrosswalkStore::row)
                .list();
    }

    public Optional<CrosswalkRow> find(long routeId, RowKind kind, String code) {
        return jdbc.sql(SELECT + " where route_id = :route and kind = :kind and code = :code")
                .param("route", routeId)
                .param("kind", kind.name())
                .param("code", code)
                .query(CrosswalkStore::row)
                .optional();
    }

    /// Compare-and-set: somebody else's change in between is not overwritten.
    ///
    /// @param expected the version that was seen, 0 for none
    public void set(
            long routeId, RowKind kind, String code, String counterpart, String account, int expected, String who) {
        requireVersion(routeId, kind, code, expected);
        int version = lastVersion(routeId, kind, code) + 1;
        jdbc.sql("""
                insert into crosswalk_row (route_id, kind, code, counterpart, account, version, set_by, set_at)
                values (:route, :kind, :code, :counterpart, :account, :version, :who, :now)
                on conflict (route_id, kind, code) do update set counterpart = excluded.counterpart,
                    account = excluded.account, version = excluded.version, set_by = excluded.set_by, set_at = excluded.set_at""")
                .param("route", routeId)
                .param("kind", kind.name())
                .param("code", code)
                .param("counterpart", counterpart)
                .param("account", account)
                .param("version", version)
                .param("who", who)
                .param("now", Timestamp.from(clock.instant()))
                .update();
        remember(routeId, kind, code, counterpart, account, version, who, false);
    }

    public void remove(long routeId, RowKind kind, String code, int expected, String who) {
        requireVersion(routeId, kind, code, expected);
        jdbc.sql("delete from crosswalk_row where route_id = :route and kind = :kind and code = :code")
                .param("route", routeId)
                .param("kind", kind.name())
                .param("code", code)
                .update();
        remember(routeId, kind, code, "", "", lastVersion(routeId, kind, code) + 1, who, true);
    }

    private void requireVersion(long routeId, RowKind kind, String code, int expected) {
        int present = find(routeId, kind, code).map(CrosswalkRow::version).orElse(0);
        if (present != expected) {
            throw NotPossibleException.conflict(
                    "changed-meanwhile", "Somebody else changed the row of " + code + " meanwhile; look at it again.");
        }
    }

    private int lastVersion(long routeId, RowKind kind, String code) {
        return jdbc.sql("""
                select coalesce(max(version), 0) from crosswalk_history
                where route_id = :route and kind = :kind and code = :code""")
                .param("route", routeId)
                .param("kind", kind.name())
                .param("code", code)
                .query(Integer.class)
                .single();
    }

    private void remember(
            long routeId,
            RowKind kind,
            String code,
            String counterpart,
            String account,
            int version,
            String who,
            boolean removed) {
        jdbc.sql("""
                insert into crosswalk_history (route_id, kind, code, counterpart, account, version, set_by, set_at, removed)
                values (:route, :kind, :code, :counterpart, :account, :version, :who, :now, :removed)""")
                .param("route", routeId)
                .param("kind", kind.name())
                .param("code", code)
                .param("counterpart", counterpart)
                .param("account", account)
                .param("version", version)
                .param("who", who)
                .param("now", Timestamp.from(clock.instant()))
                .param("removed", removed)
                .update();
        routes.changed(routeId);
    }

    private static CrosswalkRow row(ResultSet row, int n) throws SQLException {
        return new CrosswalkRow(
                RowKind.valueOf(row.getString("kind")),
                row.getString("code"),
                row.getString("counterpart"),
                row.getString("account"),
                row.getInt("version"),
                row.getString("set_by"),
                row.getTimestamp("set_at").toInstant());
    }

    private static final String SELECT =
            "select kind, code, counterpart, account, version, set_by, set_at from crosswalk_row";
}
