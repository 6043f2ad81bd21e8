package alcabala.server.resolve;

import alcabala.server.platform.Amounts;
import alcabala.server.platform.SumJson;
import alcabala.server.platform.Waited;
import alcabala.server.resolve.HeldRecords.Held;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// What holds records up, each cause once: the longest and dearest first.
@RestController
@RequestMapping("/api/resolve")
class ResolveApi {
    /// Of each cause; the rest is counted.
    private static final int LISTED = 500;
    private final Routes routes;
    private final HeldRecords records;
    private final FailedRuns runs;
    private final Clock clock;

    /// @param sums of all that is held, by currency
    /// @param failedRuns null where the last run went well
    record HeldJson(int count, List<SumJson> sums, List<HeldCauseJson> causes, FailedRunsJson failedRuns) {}

    /// Runs that failed one after the other.
    ///
    /// @param last the number of the last one
    /// @param since when the first of them began
    record FailedRunsJson(int count, long last, Instant since, String sentence) {}

    /// @param cause `refused:` with the ledger's code, or one word for what happened
    /// @param said by the ledger, of one of them; empty where it said nothing
    /// @param days how long the first of them has waited, begun ones counted
    /// @param records the first 500, longest waiting first
    record HeldCauseJson(
            String cause, String said, int count, List<SumJson> sums, int days, List<HeldRecordJson> records) {}

    /// @param ledgerVersion the version that the ledger was last seen to have; 0 when it has none
    /// @param batch in which it went last; 0 for none
    record HeldRecordJson(
            long id,
            String number,
            String kind,
            String party,
            LocalDate date,
            String currency,
            String gross,
            int ledgerVersion,
            long batch,
            Instant since) {}

    ResolveApi(Routes routes, HeldRecords records, FailedRuns runs, Clock clock) {
        this.routes = routes;
        this.records = records;
        this.runs = runs;
        this.clock = clock;
    }

    @GetMapping
    HeldJson held(@RequestParam String route) {
        RouteRow found = routes.get(route);
        List<Held> all = records.of(found);
        Map<String, List<Held>> byCause = all.stream().collect(Collectors.groupingBy(Held::cause));
        return new HeldJson(
                all.size(),
                sums(all),
                byCause.values().stream()
                        .sorted(Comparator.comparingDouble(this::weight).reversed())
                        .map(this::cause)
                        .toList(),
                runs.find(found)
                        .map(each -> new FailedRunsJson(
                                each.count(),
                                each.last(),
                                each.since(),
                                each.problem().sentence()))
                        .orElse(null));
    }

    /// Days by money: what waits long and is dear comes first.
    private double weight(List<Held> of) {
        long money = of.stream().mapToLong(each -> Math.abs(each.gross())).sum();
        return (double) days(of) * Math.max(1, money);
    }

    private int days(List<Held> of) {
        Instant first =
                of.stream().map(Held::since).min(Comparator.naturalOrder()).orElseThrow();
        return Waited.days(first, clock.instant());
    }

    private HeldCauseJson cause(List<Held> of) {
        return new HeldCauseJson(
                of.getFirst().cause(),
                of.stream()
                        .map(Held::said)
                        .filter(said -> !said.isEmpty())
                        .findFirst()
                        .orElse(""),
                of.size(),
                sums(of),
                days(of),
                of.stream().limit(LISTED).map(ResolveApi::json).toList());
    }

    private static HeldRecordJson json(Held held) {
        return new HeldRecordJson(
                held.id(),
                held.number(),
                held.kind().word(),
                held.party(),
                held.date(),
                held.currency(),
                Amounts.decimal(held.currency(), held.gross()),
                held.ledgerVersion(),
                held.batch(),
                held.since());
    }

    private static List<SumJson> sums(List<Held> of) {
        return SumJson.of(
                of.stream().collect(Collectors.groupingBy(Held::currency, Collectors.summingLong(Held::gross))));
    }
}
