package alcabala.server.crossing;

import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.connectors.ledger.TakesSettlements;
import alcabala.connectors.spi.Side;
import alcabala.server.connection.Kinds;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.route.SettingStore;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/// What people entered on a ledger. Feeds tell of it in any order: a settlement waits until a document that it settles
/// is paired with one of ours and stands on its source, and is a record of its own then; of documents see
/// [EnteredDocuments].
@Component
class EnteredThere {
    private static final int MOST = 1000;
    private final JdbcClient jdbc;
    private final Routes routes;
    private final SettingStore settings;
    private final Kinds kinds;
    private final ObjectProvider<AfterNews> after;
    private final Apart apart;
    private final JsonMapper json;
    private final Clock clock;

    private record Due(long routeId, String ledgerRef, String body) {}

    EnteredThere(
            JdbcClient jdbc,
            Routes routes,
            SettingStore settings,
            Kinds kinds,
            ObjectProvider<AfterNews> after,
            Apart apart,
            JsonMapper json,
            Clock clock) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.settings = settings;
        this.kinds = kinds;
        this.after = after;
        this.apart = apart;
        this.json = json;
        this.clock = clock;
    }

    /// One that no record of ours is paired with, as the ledger has it now. What bears a name of ours is ours, and what
    /// was taken apart from one of ours is let be.
    void note(long ledgerId, LedgerRecord record) {
        RecordKind kind = record.recordKind();
        if (!kind.isSettlement() && !EnteredDocuments.COME_BACK.contains(kind)) {
            return;
        }
        if (record.isVoided() || isNothingYet(record) || apart.holds(ledgerId, record.id())) {
            forget(ledgerId, record.id());
            return;
        }
        jdbc.sql("""
                insert into entered_there (ledger_id, ledger_ref, settles, body, seen_at)
                select :ledger, :ref, :settles, cast(:body as jsonb), :now
                where not exists (select 1 from source where starts_with(:reference, lower(name) || ':'))
                    and exists (select 1 from route r join source s on s.id = r.source_id
                        where r.ledger_id = :ledger and s.system = any(:takers))
                on conflict (ledger_id, ledger_ref) do update set settles = excluded.settles, body = excluded.body,
                    seen_at = excluded.seen_at, why = ''""")
                .param("ledger", ledgerId)
                .param("ref", record.id())
                .param("settles", settles(record))
                .param("body", json.writeValueAsString(record))
                .param("now", Timestamp.from(clock.instant()))
                .param("takers", kind.isSettlement() ? takers() : EnteredDocuments.takers(kinds))
                .param("reference", record.externalReference() == null ? "" : record.externalReference())
                .update();
    }

    /// Nothing of it waits to be brought.
    void forget(long ledgerId, String ref) {
        jdbc.sql("delete from entered_there where ledger_id = :ledger and ledger_ref = :ref")
                .param("ledger", ledgerId)
                .param("ref", ref)
                .update();
    }

    /// A draft is not booked, and what settles nothing is nobody's.
    private static boolean isNothingYet(LedgerRecord record) {
        return record.recordKind().isSettlement()
                ? record.lines().isEmpty()
                : record.journal() != null && record.journal().isEmpty();
    }

    private static String[] settles(LedgerRecord record) {
        return record.recordKind().isSettlement()
                ? record.lines().stream().map(LedgerRecord.Line::item).toArray(String[]::new)
                : new String[0];
    }

    /// Kinds of apps that can be told of a payment.
    private String[] takers() {
        return kinds.codes(Side.SOURCE, TakesSettlements.class);
    }

    /// Those of routes that do not bring payments back wait for the day on which they do.
    private Long[] bringingBack(long ledgerId) {
        return routes.all().stream()
                .filter(route -> route.ledgerId() == ledgerId && bringsBack(settings.of(route.id())))
                .map(RouteRow::id)
                .toArray(Long[]::new);
    }

    private static boolean bringsBack(RouteSettings decided) {
        return Stream.of(RecordKind.values()).filter(RecordKind::isSettlement).anyMatch(decided::comesBack);
    }

    /// Those whose documents are known by now. Where they settle documents of several routes, that of the first leads;
    /// the others hear from their documents that they are paid (synchronisation, "many to one").
    @Transactional
    void bringBack(long ledgerId, String who) {
        List<Due> due = jdbc.sql("""
                select distinct on (e.ledger_ref) d.route_id, e.ledger_ref, e.body::text as body
                from entered_there e cross join unnest(e.settles) with ordinality as s (ref, place)
                    join link l on l.ledger_id = e.ledger_id and l.ledger_ref = s.ref
                    join record d on d.id = l.record_id
                where e.ledger_id = :ledger and d.route_id = any(:routes)
                    and (d.origin = 'source' or d.crossed_at is not null)
                    and d.source_id in (select id from source where system = any(:takers))
                order by e.ledger_ref, s.place limit :most""")
                .param("ledger", ledgerId)
                .param("routes", bringingBack(ledgerId))
                .param("takers", takers())
                .param("most", MOST)
                .query(Due.class)
                .list();
        Map<Long, List<Due>> byRoute =
                due.stream().collect(Collectors.groupingBy(Due::routeId, TreeMap::new, Collectors.toList()));
        byRoute.forEach((route, of) -> after.orderedStream()
                .forEach(taker -> taker.entered(
                        routes.get(route),
                        of.stream()
                                .map(each -> new Entered(json.readValue(each.body(), LedgerRecord.class), "", false))
                                .toList(),
                        who)));
        // Another route may hear of a change of one in this moment.
        jdbc.sql("""
                delete from entered_there e using unnest(cast(:refs as text[]), cast(:bodies as text[])) as x (ref, body)
                where e.ledger_id = :ledger and e.ledger_ref = x.ref and e.body = cast(x.body as jsonb)""")
                .param("ledger", ledgerId)
                .param("refs", due.stream().map(Due::ledgerRef).toArray(String[]::new))
                .param("bodies", due.stream().map(Due::body).toArray(String[]::new))
                .update();
    }
}
