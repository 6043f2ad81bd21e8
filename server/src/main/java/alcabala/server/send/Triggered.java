package alcabala.server.send;

import alcabala.accounting.document.DocumentKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.server.connect.RouteRow;
import alcabala.server.connect.SettingStore;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Sends by itself what a route's settings say goes by itself.
@Component
class Triggered {
    private static final int MOST = 5000;
    private final JdbcClient jdbc;
    private final SettingStore settings;
    private final Batches batches;

    Triggered(JdbcClient jdbc, SettingStore settings, Batches batches) {
        this.jdbc = jdbc;
        this.settings = settings;
        this.batches = batches;
    }

    /// How many were put into a batch, sales into one and purchases into another.
    int send(RouteRow route, String who) {
        RouteSettings decided = settings.of(route.id());
        if (!route.ledgerAnswers()) {
            return 0;
        }
        return Stream.of(true, false)
                .mapToInt(sales -> send(
                        route,
                        Stream.of(DocumentKind.values())
                                .filter(kind -> kind.isSale() == sales)
                                .filter(kind -> decided.trigger(kind).isAutomatic())
                                .map(DocumentKind::word)
                                .toArray(String[]::new),
                        who))
                .sum();
    }

    private int send(RouteRow route, String[] kinds, String who) {
        List<Long> ready = jdbc.sql("""
                select id from document where route_id = :route and state = 'Ready' and kind = any(:kinds)
                    and outcome is null
                order by issue_date, id limit :most""")
                .param("route", route.id())
                .param("kinds", kinds)
                .param("most", MOST)
                .query(Long.class)
                .list();
        if (!ready.isEmpty()) {
            batches.send(route, Batches.Choice.named(ready), "", "", who);
        }
        return ready.size();
    }
}
