package alcabala.server.send;

import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.server.crossing.Links;
import alcabala.server.crossing.Outcomes;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.record.Records;
import alcabala.server.record.Scope;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import alcabala.server.trail.Trail;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Lets stand what the ledger has of documents that were changed there: from then on both sides agree on it.
@Component
public class Settlement {
    private final JdbcClient jdbc;
    private final SettingStore settings;
    private final Owned owned;
    private final Outcomes outcomes;
    private final Links links;
    private final Trail trail;

    Settlement(JdbcClient jdbc, SettingStore settings, Owned owned, Outcomes outcomes, Links links, Trail trail) {
        this.jdbc = jdbc;
        this.settings = settings;
        this.owned = owned;
        this.outcomes = outcomes;
        this.links = links;
        this.trail = trail;
    }

    /// Those of a route whose settings say that the ledger wins, or that all that was changed there is the ledger's.
    /// What was entered there goes to its source instead.
    ///
    /// @param scope which of them
    /// @param later of which the ledger's is the later change, by the revision of their source that was looked at
    /// @return how many
    @Transactional
    public int letStand(RouteRow route, Scope scope, Map<Long, Integer> later, String who) {
        RouteSettings decided = settings.of(route.id());
        List<Long> won = jdbc.sql("""
                select id from record d where route_id = :route and origin = 'source' and state = 'Diverged' and ledger_differs and not voided
                    and gone = '' and kind = any(:kinds) and""" + Scope.HOLDS + "and not " + Records.LEFT_ALONE + " order by id")
                .params(scope.params())
                .param("route", route.id())
                .param(
                        "kinds",
                        RecordKind.words(kind -> decided.winner(kind).equals("ledger") && !decided.hasOwners(kind)))
                .query(Long.class)
                .list();
        List<Long> all = new ArrayList<>(won);
        all.addAll(owned.stand(route, scope, decided));
        all.addAll(stillSo(later));
        all.forEach(id -> letStand(route.id(), id, who));
        return all.size();
    }

    private List<Long> stillSo(Map<Long, Integer> later) {
        return jdbc
                .sql(
                        "select id, revision from record where id = any(:ids) and state = 'Diverged' order by id for update")
                .param("ids", later.keySet().toArray(Long[]::new))
                .query((row, n) -> Map.entry(row.getLong("id"), row.getInt("revision")))
                .list()
                .stream()
                .filter(each -> each.getValue().equals(later.get(each.getKey())))
                .map(Map.Entry::getKey)
                .toList();
    }

    /// Also what its source has changed meanwhile is settled by it.
    @Transactional
    public void letStand(long routeId, long recordId, String who) {
        if (!outcomes.letStand(recordId)) {
            throw NotPossibleException.conflict(
                    "nothing-to-settle", "Both sides agree on it by now, or it was voided; look at it again.");
        }
        links.settle(recordId);
        trail.write(routeId, recordId, who, "ledger-stands", Map.of());
    }
}
