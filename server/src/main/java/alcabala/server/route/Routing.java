package alcabala.server.route;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Which way a site's documents go: its own route, else the source's default one, else nowhere.
@Component
public class Routing {
    private final JdbcClient jdbc;
    private final Routes routes;

    Routing(JdbcClient jdbc, Routes routes) {
        this.jdbc = jdbc;
        this.routes = routes;
    }

    /// The ways of one source at this moment.
    public Ways of(long sourceId) {
        return new Ways(sourceId, routes.ofSource(sourceId));
    }

    /// Each site's way. A site without any gets one that leads nowhere, made when the first document needs it.
    public final class Ways {
        private final long sourceId;
        private final Map<String, RouteRow> bySite = new HashMap<>();
        private RouteRow nowhere;

        private Ways(long sourceId, List<RouteRow> all) {
            this.sourceId = sourceId;
            for (RouteRow route : all) {
                if (route.leadsNowhere()) {
                    nowhere = route;
                } else {
                    bySite.put(route.site(), route);
                }
            }
        }

        public RouteRow to(String site) {
            RouteRow own = bySite.getOrDefault(site, bySite.get(""));
            if (own != null) {
                return own;
            }
            if (nowhere == null) {
                nowhere = makeNowhere();
            }
            return nowhere;
        }

        private RouteRow makeNowhere() {
            String code = "unrouted-" + sourceId;
            jdbc.sql("""
                    insert into route (code, source_id, site, business_name, business_tax_identifiers)
                    values (:code, :source, '', '', '{}') on conflict do nothing""").param("code", code).param("source", sourceId).update();
            return routes.get(code);
        }
    }
}
