package alcabala.server.send;

import alcabala.accounting.document.DocumentKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Sends by itself what a route's settings say goes by itself: what is ready, what its source changed after it was
/// posted, and what was changed on the ledger where the source wins. What failed waits for a person.
@Component
class Triggered {
    private static final int MOST = 5000;
    private final JdbcClient jdbc;
    private final SettingStore settings;
    private final Previews previews;
    private final Batches batches;

    Triggered(JdbcClient jdbc, SettingStore settings, Previews previews, Batches batches) {
        this.jdbc = jdbc;
        this.settings = settings;
        this.previews = previews;
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
                        words(kind ->
                                kind.isSale() == sales && decided.trigger(kind).isAutomatic()),
                        words(kind ->
                                kind.isSale() == sales && decided.winner(kind).equals("source")),
                        who))
                .sum();
    }

    private static String[] words(Predicate<DocumentKind> which) {
        return Stream.of(DocumentKind.values())
                .filter(which)
                .map(DocumentKind::word)
                .toArray(String[]::new);
    }

    private int send(RouteRow route, String[] automatic, String[] restored, String who) {
        List<Long> ready = jdbc.sql("""
                select id from record where route_id = :route and not voided and (
                    (kind = any(:automatic) and state = 'Ready' and outcome is null)
                    or (kind = any(:automatic) and state = 'Diverged' and not ledger_differs and refusal = '')
                    or (kind = any(:restored) and state = 'Diverged' and ledger_differs and refusal = ''))
                order by issue_date, id limit :most""")
                .param("route", route.id())
                .param("automatic", automatic)
                .param("restored", restored)
                .param("most", MOST)
                .query(Long.class)
                .list();
        Choice choice = Choice.named(ready);
        int going = ready.isEmpty() ? 0 : previews.of(route, choice).documents().size();
        if (going > 0) {
            batches.send(route, new Batches.Order(choice, null, "", ""), who);
        }
        return going;
    }
}
