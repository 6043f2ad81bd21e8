package alcabala.server.compile;

import alcabala.server.jobs.Works.Progress;
import alcabala.server.platform.Amounts;
import alcabala.server.record.SourceFacts;
import alcabala.server.route.AfterRouting;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.route.Routing;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Leads the documents that have not crossed the way of their site, whenever the ways change.
@Component
public class Rerouting implements AfterRouting {
    private static final String OPEN = "(d.outcome is null or d.outcome in ('refused', 'unreached'))";
    private final JdbcClient jdbc;
    private final Routes routes;
    private final Routing routing;
    private final SourceFacts facts;
    private final Affected affected;

    /// Where the waiting documents of one site go now, and where they would.
    ///
    /// @param site empty for documents without one
    /// @param now the ledger, or empty when they have no way to go; so is `then`
    public record SiteWay(String site, int documents, String gross, String currency, String now, String then) {}

    private record Waiting(long routeId, String site, String currency, int documents, long gross) {}

    Rerouting(JdbcClient jdbc, Routes routes, Routing routing, SourceFacts facts, Affected affected) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.routing = routing;
        this.facts = facts;
        this.affected = affected;
    }

    /// What a new route would do, before there is one.
    ///
    /// @param site the site that the new route is for, empty for a default route
    /// @param ledger the name of the ledger that it would lead to
    public List<SiteWay> preview(long sourceId, String site, String ledger) {
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
    public List<SiteWay> previewEnding(RouteRow route) {
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
                from record d where d.source_id = :source and\s""" + OPEN + """
                 group by d.route_id, d.site, d.currency order by d.site, d.currency""")
                .param("source", sourceId)
                .query(Waiting.class)
                .list();
    }

    @Override
    public void routesChanged(long sourceId, String who, Progress at) {
        routes.lockAllOf(sourceId);
        Routing.Ways ways = routing.of(sourceId);
        Set<RouteRow> reached = new HashSet<>();
        for (Waiting each : waiting(sourceId)) {
            RouteRow to = ways.to(each.site());
            if (to.id() != each.routeId() && !to.fromFiles()) {
                facts.lead(each.routeId(), each.site(), each.currency(), to.id());
                reached.add(to);
            }
        }
        reached.forEach(route -> affected.compileAgain(route.id(), Set.of(), who, "its way to " + route.ledger(), at));
    }
}
