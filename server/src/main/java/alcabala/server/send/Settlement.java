package alcabala.server.send;

import alcabala.accounting.document.DocumentKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.server.connect.RouteRow;
import alcabala.server.connect.SettingStore;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.trail.Trail;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Lets stand what the ledger has of documents that were changed there: from then on both sides agree on it.
@Component
class Settlement {
    private final JdbcClient jdbc;
    private final SettingStore settings;
    private final Trail trail;

    Settlement(JdbcClient jdbc, SettingStore settings, Trail trail) {
        this.jdbc = jdbc;
        this.settings = settings;
        this.trail = trail;
    }

    /// Those of a route whose settings say that the ledger wins.
    ///
    /// @return how many
    @Transactional
    public int letStand(RouteRow route, String who) {
        RouteSettings decided = settings.of(route.id());
        List<Long> won = jdbc.sql("""
                select id from document where route_id = :route and state = 'Diverged' and ledger_differs and not voided
                    and kind = any(:kinds) order by id""")
                .param("route", route.id())
                .param(
                        "kinds",
                        Stream.of(DocumentKind.values())
                                .filter(kind -> decided.winner(kind).equals("ledger"))
                                .map(DocumentKind::word)
                                .toArray(String[]::new))
                .query(Long.class)
                .list();
        won.forEach(id -> letStand(route.id(), id, who));
        return won.size();
    }

    /// Also what its source has changed meanwhile is settled by it.
    @Transactional
    public void letStand(long routeId, long documentId, String who) {
        int rows = jdbc.sql("""
                update document set ledger_differs = false, outcome_revision = revision, refusal = '', version = version + 1
                where id = :id and state = 'Diverged' and not voided""").param("id", documentId).update();
        if (rows == 0) {
            throw NotPossibleException.conflict(
                    "nothing-to-settle", "Both sides agree on it by now, or it was voided; look at it again.");
        }
        jdbc.sql("update link set baseline = ledger_now where document_id = :id")
                .param("id", documentId)
                .update();
        trail.write(routeId, documentId, who, "ledger-stands", Map.of());
    }
}
