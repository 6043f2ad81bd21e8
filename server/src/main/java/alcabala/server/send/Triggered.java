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

    /// How many were put into a batch.
    int send(RouteRow route, String who) {
        RouteSettings decided = settings.of(route.id());
        String[] kinds = Stream.of(DocumentKind.INVOICE, DocumentKind.CREDIT_NOTE)
                .filter(kind -> decided.trigger(kind).isAutomatic())
                .map(DocumentKind::word)
                .toArray(String[]::new);
        if (kinds.length == 0 || !route.ledgerAnswers()) {
            return 0;
        }
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
            batches.send(route, new Batches.Choice(ready, null, null), "", "", who);
        }
        return ready.size();
    }
}
