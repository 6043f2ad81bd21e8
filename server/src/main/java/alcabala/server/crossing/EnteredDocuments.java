package alcabala.server.crossing;

import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.connectors.ledger.TakesDocuments;
import alcabala.connectors.spi.Side;
import alcabala.server.connection.Kinds;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.route.SettingStore;
import java.sql.Types;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/// Sales that people entered on a ledger, on their way to the source of a route that brings them back (synchronisation,
/// "New on one side"). What cannot be told in that source's words stays, and why; it is tried again with each news.
@Component
class EnteredDocuments {
    static final Set<RecordKind> COME_BACK = EnumSet.of(RecordKind.INVOICE, RecordKind.CREDIT_NOTE);
    private static final int MOST = 1000;
    /// Another route may hear of a change of it in this moment.
    private static final String AS_IT_WAS =
            " where ledger_id = :ledger and ledger_ref = :ref and body = cast(:body as jsonb)";
    private final JdbcClient jdbc;
    private final Routes routes;
    private final SettingStore settings;
    private final EnteredHeld held;
    private final ObjectProvider<AfterNews> after;
    private final JsonMapper json;

    /// @param known whether it is, or may not be, one that the source has
    private record Due(String ledgerRef, String body, String party, boolean known) {}

    EnteredDocuments(
            JdbcClient jdbc,
            Routes routes,
            SettingStore settings,
            EnteredHeld held,
            ObjectProvider<AfterNews> after,
            JsonMapper json) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.settings = settings;
        this.held = held;
        this.after = after;
        this.json = json;
    }

    /// Kinds of apps that can be told of a document.
    static String[] takers(Kinds kinds) {
        return kinds.codes(Side.SOURCE, TakesDocuments.class);
    }

    /// Where several routes could take one, the first that knows its party does.
    @Transactional
    void bringBack(long ledgerId, String who) {
        for (RouteRow route : routes.all()) {
            if (route.ledgerId() == ledgerId && !route.ended() && held.isTaken(route)) {
                RouteSettings decided = settings.of(route.id());
                COME_BACK.stream().filter(decided::comesBack).forEach(kind -> bringBack(route, kind, decided, who));
            }
        }
    }

    private void bringBack(RouteRow route, RecordKind kind, RouteSettings decided, String who) {
        List<Due> due = due(route, kind, decided);
        if (due.isEmpty()) {
            return;
        }
        List<Entered> entered = due.stream()
                .map(each -> new Entered(json.readValue(each.body(), LedgerRecord.class), each.party(), each.known()))
                .toList();
        Map<String, String> stay = new HashMap<>();
        after.orderedStream().forEach(taker -> stay.putAll(taker.entered(route, entered, who)));
        due.forEach(each -> keep(route, each, stay));
    }

    private void keep(RouteRow route, Due each, Map<String, String> stay) {
        String why = stay.get(each.ledgerRef());
        jdbc.sql(
                        why == null
                                ? "delete from entered_there" + AS_IT_WAS
                                : "update entered_there set why = :why, route_id = :route" + AS_IT_WAS)
                .param("why", why, Types.VARCHAR)
                .param("route", route.id())
                .param("ledger", route.ledgerId())
                .param("ref", each.ledgerRef())
                .param("body", each.body())
                .update();
    }

    /// Those since the first day of their kind, and those that were brought and changed there since. New ones first.
    private List<Due> due(RouteRow route, RecordKind kind, RouteSettings decided) {
        return jdbc.sql("""
                select e.ledger_ref, e.body::text as body, e.said = 'new' or d.id is not null as known, coalesce((
                    select x.code from (
                        select l.code, l.linked_at as since from master_link l
                        where l.route_id = :route and l.kind = 'PARTIES' and l.counterpart = e.body->>'party'
                        union all
                        select c.code, c.set_at from crosswalk_row c
                        where c.route_id = :route and c.kind = 'PARTY' and c.purpose = 'COUNTERPART'
                            and c.target = e.body->>'party' and c.ended_at is null) x
                    order by x.since, x.code limit 1), '') as party
                from entered_there e
                    left join link l on l.ledger_id = e.ledger_id and l.ledger_ref = e.ledger_ref
                    left join record d on d.id = l.record_id
                where e.ledger_id = :ledger and e.body->>'kind' = :kind and e.said <> 'left'
                    and case when d.id is null
                        then cast(:from as date) is null or cast(e.body->>'date' as date) >= :from
                        else d.route_id = :route and d.origin = 'ledger'
                            and (d.outcome is null or d.outcome in ('posted', 'refused', 'unreached'))
                            and cast(e.body->>'version' as integer) >= coalesce(d.ledger_version, 0) end
                order by e.why <> '', e.body->>'date', e.ledger_ref limit :most""")
                .param("route", route.id())
                .param("ledger", route.ledgerId())
                .param("kind", kind.word())
                .param("from", decided.findCutOff(kind).orElse(null), Types.DATE)
                .param("most", MOST)
                .query(Due.class)
                .list();
    }
}
