package alcabala.server.map;

import alcabala.server.connect.AfterRouting;
import alcabala.server.connect.RouteRow;
import alcabala.server.connect.Routes;
import alcabala.server.connect.Routing;
import alcabala.server.platform.Amounts;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Leads the documents that have not crossed the way of their site, whenever the ways change.
@Component
class Rerouting implements AfterRouting {
    private static final String OPEN = "(d.outcome is null or d.outcome in ('refused', 'unreached'))";
    private final JdbcClient jdbc;
    private final Routes routes;
    private final Routing routing;
    private final Affected affected;

    /// Where the waiting documents of one site go now, and where they would.
    ///
    /// @param site empty for documents without one
    /// @param now the ledger, or empty when they have no way to go; so is `then`
    record SiteWay(String site, int documents, String gross, String currency, String now, String then) {}

    private record Waiting(long routeId, String site, String currency, int documents, long gross) {}

    Rerouting(JdbcClient jdbc, Routes routes, Routing routing, Affected affected) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.routing = routing;
        this.affected = affected;
    }

    /// What a new route would do, before there is one.
    ///
    /// @param site the site that the new route is for, empty for a default route
    /// @param ledger the name of the ledger that it would lead to
    List<SiteWay> preview(long sourceId, String site, String ledger) {
        List<RouteRow> ways = routes.ofSource(sourceId);
        Set<String> own = new HashSet<>();
        ways.stream().filter(route -> !route.leadsNowhere()).forEach(route -> own.add(route.site()));
        return waiting(sourceId).stream()
                .filter(each -> each.documents() > 0)
                .map(each -> {
                    String now = routes.get(each.routeId()).ledger();
                    boolean taken = site.isEmpty() ? !own.contains(each.site()) : site.equals(each.site());
                    return new SiteWay(
                            each.site(),
                            each.documents(),
                            Amounts.decimal(each.currency(), each.gross()),
                            each.currency(),
                            now,
                            taken ? ledger : now);
                })
                .toList();
    }

    /// What ending a route would do.
    List<SiteWay> previewEnding(RouteRow route) {
        String other = routes.ofSource(route.sourceId()).stream()
                .filter(each -> !each.leadsNowhere()
                        && each.id() != route.id()
                        && each.site().isEmpty())
                .map(RouteRow::ledger)
                .findFirst()
                .orElse("");
        return waiting(route.sourceId()).stream()
                .filter(each -> each.routeId() == route.id() && each.documents() > 0)
                .map(each -> new SiteWay(
                        each.site(),
                        each.documents(),
                        Amounts.decimal(each.currency(), each.gross()),
                        each.currency(),
                        route.ledger(),
                        other))
                .toList();
    }

    private List<Waiting> waiting(long sourceId) {
        return jdbc.sql("""
                select d.route_id, d.site, d.currency, count(*) filter (where not d.voided) as documents,
                    coalesce(sum(signed(d.kind, d.gross))
                        filter (where not d.voided), 0) as gross
                from document d where d.source_id = :source and\s""" + OPEN + """
                 group by d.route_id, d.site, d.currency order by d.site, d.currency""")
                .param("source", sourceId)
                .query(Waiting.class)
                .list();
    }

    @Override
    public void routesChanged(long sourceId, String who) {
        routes.lockAllOf(sourceId);
        Routing.Ways ways = routing.of(sourceId);
        Set<RouteRow> reached = new HashSet<>();
        for (Waiting each : waiting(sourceId)) {
            RouteRow to = ways.to(each.site());
            if (to.id() != each.routeId() && !to.fromFiles()) {
                lead(each, to);
                reached.add(to);
            }
        }
        reached.forEach(route -> affected.compileAgain(route.id(), Set.of(), who, "its way to " + route.ledger()));
    }

    private void lead(Waiting from, RouteRow to) {
        jdbc.sql("""
                update document d set route_id = :to, version = version + 1
                where d.route_id = :from and d.site = :site and d.currency = :currency and\s""" + OPEN)
                .param("to", to.id())
                .param("from", from.routeId())
                .param("site", from.site())
                .param("currency", from.currency())
                .update();
    }
}
