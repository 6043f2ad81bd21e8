package alcabala.server.send;

import alcabala.server.access.SignedIn;
import alcabala.server.crossing.Beyond;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.SumJson;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.util.List;
import java.util.function.ToIntFunction;
import java.util.function.ToLongFunction;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// What waits to be sent, route by route, and what failed on its way.
@RestController
@RequestMapping("/api/waiting")
class WaitingApi {
    private final JdbcClient jdbc;
    private final Routes routes;
    private final Beyond beyond;

    /// Documents with their totals by currency, what is given back negative.
    record Group(int count, List<SumJson> gross) {}

    /// Documents that came to the same end for the same reason.
    ///
    /// @param outcome refused, unreached or unconfirmed
    /// @param sentence what the ledger said, or what came instead of an answer
    /// @param batch the last in which one of them failed
    record Failed(
            String outcome,
            String code,
            String sentence,
            String advice,
            int count,
            String currency,
            String gross,
            long batch) {}

    /// @param ready never sent
    /// @param changed on the ledger already, and changed since at the source
    /// @param onItsWay how many are being sent
    /// @param beyond what the ledger has under our reference, and we do not know of having sent
    record Waiting(
            String route,
            String source,
            String ledger,
            String site,
            String currency,
            boolean toFiles,
            Group ready,
            Group changed,
            int onItsWay,
            List<Failed> failed,
            List<Beyond.Known> beyond) {}

    private record Counts(String currency, int ready, long readyGross, int changed, long changedGross, int onItsWay) {}

    WaitingApi(JdbcClient jdbc, Routes routes, Beyond beyond) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.beyond = beyond;
    }

    @GetMapping
    List<Waiting> all(@AuthenticationPrincipal SignedIn viewer) {
        return routes.inUse(viewer.sight()).stream()
                .filter(route -> !route.leadsNowhere() && !route.ended())
                .map(this::waiting)
                .toList();
    }

    private Waiting waiting(RouteRow route) {
        List<Counts> counts = counts(route);
        return new Waiting(
                route.code(),
                route.source(),
                route.ledger(),
                route.site(),
                route.currency(),
                !route.ledgerAnswers(),
                group(counts, Counts::ready, Counts::readyGross),
                group(counts, Counts::changed, Counts::changedGross),
                counts.stream().mapToInt(Counts::onItsWay).sum(),
                failed(route),
                beyond.of(route.ledgerId()));
    }

    private static Group group(List<Counts> counts, ToIntFunction<Counts> count, ToLongFunction<Counts> gross) {
        return new Group(
                counts.stream().mapToInt(count).sum(),
                SumJson.of(counts.stream()
                        .filter(each -> count.applyAsInt(each) > 0)
                        .collect(Collectors.toMap(Counts::currency, gross::applyAsLong))));
    }

    /// Currency by currency.
    private List<Counts> counts(RouteRow route) {
        String changed = "state = 'Diverged' and " + Candidates.GOES_AGAIN + " and refusal = ''";
        return jdbc.sql("""
                select currency, count(*) filter (where state = 'Ready' and outcome is null) as ready,
                    coalesce(sum(signed(kind, gross)) filter (where state = 'Ready' and outcome is null and is_document(kind)),
                        sum(signed(kind, gross)) filter (where state = 'Ready' and outcome is null), 0) as ready_gross,
                    count(*) filter (where %s) as changed,
                    coalesce(sum(signed(kind, gross)) filter (where %s and is_document(kind)),
                        sum(signed(kind, gross)) filter (where %s), 0) as changed_gross,
                    count(*) filter (where outcome in ('queued', 'sending', 'unconfirmed')) as on_its_way
                from record d where route_id = :route group by currency""".formatted(changed, changed, changed))
                .param("route", route.id())
                .query(Counts.class)
                .list();
    }

    private List<Failed> failed(RouteRow route) {
        return jdbc.sql("""
                select p.outcome, p.refusal_code, p.sentence, d.currency, count(*) as count, coalesce(sum(signed(d.kind, d.gross)) filter (where is_document(d.kind)),
                        sum(signed(d.kind, d.gross))) as gross, max(p.batch_id) as batch
                from record d join dispatch p on p.id = (select max(l.id) from dispatch l where l.record_id = d.id)
                where d.route_id = :route and (not d.voided or d.outcome = 'posted') and (p.outcome in ('refused', 'unreached') and d.state <> 'Posted'
                    or p.outcome = 'unconfirmed' and p.rests)
                group by p.outcome, p.refusal_code, p.sentence, d.currency order by count(*) desc, max(p.batch_id) desc limit 50""")
                .param("route", route.id())
                .query((row, n) -> new Failed(
                        row.getString("outcome"),
                        row.getString("refusal_code"),
                        row.getString("sentence"),
                        Advice.forRefusal(row.getString("refusal_code"), route.source(), route.ledger()),
                        row.getInt("count"),
                        row.getString("currency"),
                        Amounts.decimal(row.getString("currency"), row.getLong("gross")),
                        row.getLong("batch")))
                .list();
    }
}
