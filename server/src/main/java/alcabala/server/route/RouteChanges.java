package alcabala.server.route;

import alcabala.server.jobs.Works.Progress;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.trail.Trail;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Adds routes, ends them, and begins them again. The documents that have not crossed follow at once.
@Component
public class RouteChanges {
    private final JdbcClient jdbc;
    private final Routes routes;
    private final ObjectProvider<AfterRouting> afterRouting;
    private final Trail trail;
    private final Clock clock;

    /// @param business what the business is called on its documents, to tell its sales from its bills
    public record NewRoute(
            String code, long source, long ledger, String site, String business, List<String> taxIdentifiers) {}

    RouteChanges(JdbcClient jdbc, Routes routes, ObjectProvider<AfterRouting> afterRouting, Trail trail, Clock clock) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.afterRouting = afterRouting;
        this.trail = trail;
        this.clock = clock;
    }

    /// Lets a source cross to a ledger. Its documents come at the next pull.
    @Transactional
    public String add(NewRoute route, String who, Progress at) {
        requireFree(route.source(), route.site());
        int rows = jdbc.sql("""
                insert into route (code, source_id, ledger_id, site, business_name, business_tax_identifiers)
                select :code, s.id, l.id, :site, :business, :identifiers from source s, ledger l
                where s.id = :source and l.id = :ledger and l.connected
                on conflict (code) do nothing""")
                .param("code", route.code())
                .param("source", route.source())
                .param("ledger", route.ledger())
                .param("site", route.site())
                .param("business", route.business())
                .param("identifiers", route.taxIdentifiers().toArray(String[]::new))
                .update();
        if (rows == 0) {
            throw NotPossibleException.conflict(
                    "route-not-possible",
                    "The code " + route.code() + " is taken, or the source or the ledger is not connected.");
        }
        trail.write(null, null, who, "route-added", Map.of("route", route.code(), "site", route.site()));
        afterRouting.forEach(each -> each.routesChanged(route.source(), who, at));
        return route.code();
    }

    /// What crossed by it stays with it; what has not goes the way that its site has then.
    @Transactional
    public void end(String code, String who, Progress at) {
        RouteRow route = routes.getLeading(code);
        routes.lockAllOf(route.sourceId());
        routes.requireNothingOnItsWay(route);
        requireNoFilesWaiting(route);
        if (mark(route, Timestamp.from(clock.instant())) == 0) {
            throw NotPossibleException.conflict("route-ended", "This route has ended already.");
        }
        changed(route, "route-ended", who, at);
    }

    /// With its crosswalk and its settings as they were.
    @Transactional
    public void beginAgain(String code, String who, Progress at) {
        RouteRow route = routes.getLeading(code);
        routes.lockAllOf(route.sourceId());
        if (!route.ended()) {
            throw NotPossibleException.conflict("route-leads", "This route has not ended.");
        }
        requireFree(route.sourceId(), route.site());
        mark(route, null);
        changed(route, "route-begun-again", who, at);
    }

    /// @return 0 when it is so already
    private int mark(RouteRow route, Timestamp ended) {
        return jdbc.sql("""
                update route set ended_at = cast(:ended as timestamptz)
                where id = :id and (ended_at is null) = cast(:ends as boolean)""")
                .param("ended", ended)
                .param("ends", ended != null)
                .param("id", route.id())
                .update();
    }

    private void changed(RouteRow route, String action, String who, Progress at) {
        trail.write(null, null, who, action, Map.of("route", route.code(), "site", route.site()));
        afterRouting.forEach(each -> each.routesChanged(route.sourceId(), who, at));
    }

    /// Files come for a route and cannot go another way by themselves.
    private void requireNoFilesWaiting(RouteRow route) {
        int waiting = jdbc.sql("""
                select count(*) from record where route_id = :id and not voided
                    and (outcome is null or outcome in ('refused', 'unreached'))""").param("id", route.id()).query(Integer.class).single();
        if (route.fromFiles() && waiting > 0) {
            throw NotPossibleException.conflict(
                    "files-wait", "Documents that came as files wait on this route: " + waiting + ". Send them first.");
        }
    }

    private void requireFree(long source, String site) {
        boolean taken = jdbc.sql("select 1 from route where source_id = :source and site = :site and leads")
                .param("source", source)
                .param("site", site)
                .query(Integer.class)
                .optional()
                .isPresent();
        if (taken) {
            throw NotPossibleException.conflict(
                    "site-routed",
                    (site.isEmpty() ? "This source has a default route" : site + " has a route")
                            + " already; move that one to another ledger instead.");
        }
    }
}
