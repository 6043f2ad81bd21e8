package alcabala.server.route;

import alcabala.connectors.ledger.TakesDocuments;
import alcabala.server.access.RouteScope;
import alcabala.server.access.Sight;
import alcabala.server.connection.Kinds;
import alcabala.server.platform.NotPossibleException;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The routes of the business.
@Component
public class Routes {
    private final JdbcClient jdbc;
    private final Kinds kinds;

    Routes(JdbcClient jdbc, Kinds kinds) {
        this.jdbc = jdbc;
        this.kinds = kinds;
    }

    public List<RouteRow> all() {
        return jdbc.sql(SELECT + " order by r.id").query(this::row).list();
    }

    /// Those that lead, and after them what has ended or leads nowhere and has documents.
    public List<RouteRow> inUse(Sight sight) {
        return jdbc
                .sql(SELECT
                        + " where (r.leads or exists (select 1 from record d where d.route_id = r.id))"
                        + sight.ofRoutes() + " order by not r.leads, r.ledger_id is null, r.id")
                .param("viewer", sight.onlyOf())
                .query(this::row)
                .list()
                .stream()
                .filter(route -> RouteScope.find().orElse(route.code()).equals(route.code()))
                .toList();
    }

    /// The ways that documents of a source go, with the one that leads nowhere.
    public List<RouteRow> ofSource(long sourceId) {
        return jdbc.sql(SELECT + " where r.source_id = :source and (r.leads or r.ledger_id is null) order by r.id")
                .param("source", sourceId)
                .query(this::row)
                .list();
    }

    public RouteRow get(long id) {
        RouteRow route = jdbc.sql(SELECT + " where r.id = :id")
                .param("id", id)
                .query(this::row)
                .single();
        RouteScope.require(route.code());
        return route;
    }

    public RouteRow get(String code) {
        RouteScope.require(code);
        return jdbc.sql(SELECT + " where r.code = :code")
                .param("code", code)
                .query(this::row)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("route " + code));
    }

    /// One that leads to a ledger.
    public RouteRow getLeading(String code) {
        RouteRow route = get(code);
        if (route.leadsNowhere()) {
            throw NotPossibleException.invalid(
                    "route-nowhere",
                    "These documents have no route to a ledger yet. Add one for their site under Connections.");
        }
        return route;
    }

    /// The route named, or the only one for files when none is named.
    public RouteRow forFiles(String code) {
        if (code != null && !code.isBlank()) {
            RouteRow route = get(code);
            if (!route.fromFiles() || route.ended()) {
                throw NotPossibleException.invalid(
                        "route-not-for-files",
                        "The route " + code + (route.ended() ? " has ended." : " does not take files."));
            }
            return route;
        }
        List<RouteRow> forFiles = all().stream()
                .filter(route -> RouteScope.find().orElse(route.code()).equals(route.code()))
                .filter(RouteRow::fromFiles)
                .filter(route -> !route.leadsNowhere() && !route.ended())
                .toList();
        if (forFiles.size() != 1) {
            throw NotPossibleException.invalid(
                    "route-needed", "There are " + forFiles.size() + " routes for files; say which one with ?route=.");
        }
        return forFiles.getFirst();
    }

    public boolean hasDocuments(RouteRow route) {
        return jdbc.sql("select exists (select 1 from record where route_id = :id)")
                .param("id", route.id())
                .query(Boolean.class)
                .single();
    }

    /// One change at a time on a route: intake, mapping and recompiling wait for each other.
    public void lock(long id) {
        jdbc.sql("select id from route where id = :id for update")
                .param("id", id)
                .query(Long.class)
                .single();
    }

    /// All routes of a source at once, as when its documents come in.
    public void lockAllOf(long sourceId) {
        jdbc.sql("select id from route where source_id = :source order by id for update")
                .param("source", sourceId)
                .query(Long.class)
                .list();
    }

    /// What is sent must be what was seen: whoever changes the way waits for what is on it.
    public void requireNothingOnItsWay(RouteRow route) {
        int open = jdbc.sql("""
                select count(*) from record where route_id = :id and outcome in ('queued', 'sending', 'unconfirmed')""").param("id", route.id()).query(Integer.class).single();
        if (open > 0) {
            throw NotPossibleException.conflict(
                    "on-its-way",
                    (open == 1 ? "1 document is on its way to " : open + " documents are on their way to ")
                            + route.ledger() + ". Wait until they are settled.");
        }
    }

    public long findCursor(long sourceId) {
        return jdbc.sql("select cursor from source where id = :id")
                .param("id", sourceId)
                .query(Long.class)
                .single();
    }

    /// From now on the route leads there.
    public void lead(long routeId, long ledgerId) {
        jdbc.sql("update route set ledger_id = :ledger where id = :id")
                .param("ledger", ledgerId)
                .param("id", routeId)
                .update();
    }

    /// What is compiled by it may be something else now.
    public void changed(long routeId) {
        jdbc.sql("update route set crosswalk_version = nextval('state_version') where id = :route")
                .param("route", routeId)
                .update();
    }

    /// By what the feed of a source is known not to have begun again; empty before it told, or where it does not tell.
    public String feedBegun(long sourceId) {
        return jdbc.sql("select feed_begun from source where id = :id")
                .param("id", sourceId)
                .query(String.class)
                .single();
    }

    public void setFeedBegun(long sourceId, String begun) {
        jdbc.sql("update source set feed_begun = :begun where id = :id")
                .param("begun", begun)
                .param("id", sourceId)
                .update();
    }

    public void setCursor(long sourceId, long cursor) {
        jdbc.sql("update source set cursor = :cursor where id = :id")
                .param("cursor", cursor)
                .param("id", sourceId)
                .update();
    }

    private RouteRow row(ResultSet row, int n) throws SQLException {
        return new RouteRow(
                row.getLong("id"),
                row.getString("code"),
                row.getLong("source_id"),
                row.getString("source"),
                row.getString("source_kind").equals("files"),
                row.getString("source_desk"),
                row.getLong("ledger_id"),
                row.getString("ledger"),
                kinds.can(row.getString("ledger_system"), TakesDocuments.class),
                row.getString("ledger_desk"),
                row.getString("currency"),
                row.getString("site"),
                row.getBoolean("ended"),
                row.getString("business_name"),
                strings(row, "business_tax_identifiers"),
                strings(row, "known_as"));
    }

    private static Set<String> strings(ResultSet row, String column) throws SQLException {
        return Set.of((String[]) row.getArray(column).getArray());
    }

    private static final String SELECT = """
            select r.id, r.code, r.source_id, s.name as source, s.kind as source_kind, s.desk as source_desk,
                coalesce(r.ledger_id, 0) as ledger_id, coalesce(l.name, '') as ledger, coalesce(l.desk, '') as ledger_desk,
                coalesce(l.system, '') as ledger_system, r.site, r.ended_at is not null as ended, r.business_name, r.business_tax_identifiers,
                array(select k.party_code from known_as k where k.source_id = r.source_id) as known_as,
                coalesce(l.currency, (select d.currency from record d where d.route_id = r.id limit 1), 'EUR') as currency
            from route r join source s on s.id = r.source_id left join ledger l on l.id = r.ledger_id""";
}
