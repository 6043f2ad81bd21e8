package alcabala.server.send;

import alcabala.accounting.crosswalk.RecordType;
import alcabala.connectors.ledger.ShowsConsent;
import alcabala.connectors.spi.Side;
import alcabala.server.access.Sight;
import alcabala.server.access.SignedIn;
import alcabala.server.connection.Kinds;
import alcabala.server.crossing.EnteredHeld;
import alcabala.server.crossing.EnteredTwice;
import alcabala.server.platform.SumJson;
import alcabala.server.record.RecordFilter;
import alcabala.server.record.Records;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.route.SettingStore;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// What waits at each stop of the road.
@RestController
@RequestMapping("/api")
class RoadApi {
    private final JdbcClient jdbc;
    private final Routes routes;
    private final Kinds kinds;
    private final Records documents;
    private final SettingStore settings;
    private final EnteredTwice twice;
    private final Clock clock;

    /// @param ledger empty for documents whose site has no route
    /// @param toFiles whether the ledger takes files and cannot be asked
    /// @param sourceDesk where its people work in it; empty where that is not known
    /// @param ledgerDesk as above, of the ledger
    record RouteJson(
            String code,
            String source,
            String ledger,
            String currency,
            String site,
            boolean ended,
            boolean fromFiles,
            boolean toFiles,
            String sourceDesk,
            String ledgerDesk) {}

    /// @param lost ledgers that no longer let us in
    /// @param unmapped causes that a row of the crosswalk settles
    /// @param held what was sent and does not stand as it should
    /// @param odd what came and could not be used, payments that look like one entered on both sides, and
    /// documents that were entered on the ledger and stay there
    /// @param runFailed whether the last run that ended failed
    /// @param readySums what is ready, by currency
    /// @param purchases whether the route carries them beside sales; so payments
    record Road(
            int connections,
            int lost,
            int warns,
            int blocks,
            int unmapped,
            int ready,
            List<SumJson> readySums,
            int blocked,
            int refused,
            int openBatches,
            int held,
            int odd,
            boolean runFailed,
            boolean purchases,
            boolean payments,
            Sending sending) {}

    /// The batch that is on its way, if one is.
    record Sending(long batch, int done, int count) {}

    private record Counts(
            int connections,
            int lost,
            int warns,
            int blocks,
            int unmapped,
            int ready,
            int blocked,
            int refused,
            int openBatches,
            int held,
            int odd,
            boolean runFailed) {}

    RoadApi(
            JdbcClient jdbc,
            Routes routes,
            Kinds kinds,
            Records documents,
            SettingStore settings,
            EnteredTwice twice,
            Clock clock) {
        this.twice = twice;
        this.kinds = kinds;
        this.documents = documents;
        this.settings = settings;
        this.clock = clock;
        this.jdbc = jdbc;
        this.routes = routes;
    }

    @GetMapping("/routes")
    List<RouteJson> routes(@AuthenticationPrincipal SignedIn viewer) {
        return routes.inUse(viewer.sight()).stream()
                .map(r -> new RouteJson(
                        r.code(),
                        r.source(),
                        r.ledger(),
                        r.currency(),
                        r.site(),
                        r.ended(),
                        r.fromFiles(),
                        !r.leadsNowhere() && !r.ledgerAnswers(),
                        r.sourceDesk(),
                        r.leadsNowhere() ? "" : r.ledgerDesk()))
                .toList();
    }

    @GetMapping("/road")
    Road road(@RequestParam String route, @AuthenticationPrincipal SignedIn viewer) {
        RouteRow found = routes.get(route);
        return viewer.sight().isLimited() ? ofDocuments(found, viewer.sight()) : whole(found);
    }

    /// Only how many documents stand where, of those that somebody may look at.
    private Road ofDocuments(RouteRow route, Sight sight) {
        Map<String, Records.Sum> sums = documents.sums(route.id(), RecordFilter.all(sight)).stream()
                .collect(Collectors.toMap(Records.Sum::state, Function.identity()));
        Records.Sum none = new Records.Sum("", 0, Map.of());
        Records.Sum ready = sums.getOrDefault("Ready", none);
        return new Road(
                0,
                0,
                0,
                0,
                0,
                ready.count(),
                SumJson.of(ready.gross()),
                sums.getOrDefault("Blocked", none).count(),
                sums.getOrDefault("Refused", none).count(),
                0,
                0,
                0,
                false,
                false,
                false,
                null);
    }

    private Road whole(RouteRow found) {
        Counts counts = jdbc.sql("""
                select
                    (select count(*) from ledger where connected) + (select count(*) from source where connected) as connections,
                    (select count(*) from ledger l left join credential c on c.ledger_id = l.id
                     where l.connected and l.system = any(:byConsent) and (c.id is null or c.lost_at is not null or c.consent_ends_at < :now)) as lost,
                    coalesce((select warns from readiness where route_id = :route), 0) as warns,
                    coalesce((select blocks from readiness where route_id = :route), 0) as blocks,
                    (select count(distinct f.cause) from finding f join record d on d.id = f.record_id
                     where d.route_id = :route and d.state in ('Blocked', 'Waiting') and f.severity = 'blocks'
                         and f.cause ~ '^(item|category|tax|supplier|means|choice)-unmapped|^party-(doubtful|missing)|^payer-differs|^role-unset') as unmapped,
                    (select count(*) from record d where route_id = :route and state = 'Ready' and not %1$s) as ready,
                    (select count(*) from record d where route_id = :route and state = 'Blocked' and not %1$s) as blocked,
                    (select count(*) from record d where route_id = :route and state = 'Refused' and not %1$s) as refused,
                    (select count(*) from batch where route_id = :route and finished_at is null) as open_batches,
                    (select count(*) from record d where d.route_id = :route and %2$s) + (select count(*) from master_question where route_id = :route)
                        + (select count(*) from master_lacking where route_id = :route and state in ('asked', 'refused')) as held,
                    (select count(*) from set_aside where settled_at is null
                        and (source_id = :source or ledger_id = :ledger))
                        + (select count(*) from entered_there e where e.route_id = :route and %3$s) as odd,
                    coalesce((select state = 'failed' from run where route_id = :route and state <> 'running'
                        and carried is null and records is null order by id desc limit 1), false) as run_failed""".formatted(Records.LEFT_ALONE, Records.HELD, EnteredHeld.ASKED))
                .param("route", found.id())
                .param("source", found.sourceId())
                .param("ledger", found.ledgerId())
                .param("byConsent", kinds.codes(Side.LEDGER, ShowsConsent.class))
                .param("now", Timestamp.from(clock.instant()))
                .query(Counts.class)
                .single();
        Set<RecordType> carried = settings.of(found.id()).carries();
        Sending sending = jdbc.sql("""
                select b.id as batch, count(*) filter (where p.outcome in ('posted', 'refused', 'unreached')) as done,
                    count(*) as count
                from batch b join dispatch p on p.batch_id = b.id
                where b.route_id = :route and b.finished_at is null group by b.id order by b.id limit 1""")
                .param("route", found.id())
                .query(Sending.class)
                .optional()
                .orElse(null);
        return new Road(
                counts.connections(),
                counts.lost(),
                counts.warns(),
                counts.blocks(),
                counts.unmapped(),
                counts.ready(),
                SumJson.of(ready(found)),
                counts.blocked(),
                counts.refused(),
                counts.openBatches(),
                counts.held(),
                counts.odd() + twice.of(found).size(),
                counts.runFailed(),
                carried.contains(RecordType.PURCHASES),
                carried.contains(RecordType.SETTLEMENTS),
                sending);
    }

    /// Minor units by currency; money is no part of it where there are documents.
    private Map<String, Long> ready(RouteRow route) {
        Map<String, Long> gross = new HashMap<>();
        jdbc.sql("""
                select currency, coalesce(sum(signed(kind, gross)) filter (where is_document(kind)),
                    sum(signed(kind, gross))) as gross
                from record d where route_id = :route and state = 'Ready' and not\s""" + Records.LEFT_ALONE + " group by currency")
                .param("route", route.id())
                .query((row, n) -> gross.put(row.getString("currency"), row.getLong("gross")))
                .list();
        return gross;
    }
}
