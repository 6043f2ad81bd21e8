package alcabala.server.load;

import alcabala.accounting.batch.Pace;
import alcabala.server.load.Load.State;
import alcabala.server.load.LoadRecords.Count;
import alcabala.server.load.LoadStore.Made;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// The historical load: looked at as a dry run, begun, stopped, gone on with, ended.
@RestController
@RequestMapping("/api/loads")
class LoadApi {
    private static final int YEARS = 20;
    private final Routes routes;
    private final LoadStore store;
    private final LoadRecords records;
    private final LoadRun run;
    private final Clock clock;

    record LoadSum(int count, String gross) {}

    /// What there is of a kind in a currency, by where it stands.
    ///
    /// @param there posted, also where it differs by now
    record LoadKind(
            String kind,
            String currency,
            LoadSum all,
            LoadSum ready,
            LoadSum blocked,
            LoadSum waiting,
            LoadSum onItsWay,
            LoadSum there,
            LoadSum refused,
            LoadSum voided) {}

    /// @param ready how many would go
    /// @param refusal why it cannot be begun; empty when it can
    record LoadPreviewJson(LocalDate since, int ready, String refusal, List<LoadKind> kinds) {}

    record LoadBatch(long id, int count, int posted, int refused, int waiting, boolean finished) {}

    record LoadJson(
            long id,
            LocalDate since,
            int perMinute,
            State state,
            String reason,
            String madeBy,
            Instant madeAt,
            Instant endedAt,
            int planned,
            int posted,
            int refused,
            List<LoadBatch> batches) {}

    /// The last one; null when there was none.
    record LastLoad(LoadJson load) {}

    /// @param ready how many of them were shown
    record LoadOrderJson(
            @NotBlank String route,
            @NotNull LocalDate since,
            @Min(Pace.SLOWEST) @Max(Pace.FASTEST) int perMinute,
            @Min(0) int ready) {}

    LoadApi(Routes routes, LoadStore store, LoadRecords records, LoadRun run, Clock clock) {
        this.routes = routes;
        this.store = store;
        this.records = records;
        this.run = run;
        this.clock = clock;
    }

    /// The dry run; changes nothing.
    @GetMapping("/preview")
    LoadPreviewJson preview(@RequestParam String route, @RequestParam LocalDate since) {
        RouteRow found = routes.getLeading(route);
        requireLikely(since);
        Map<String, List<Count>> byKind = new LinkedHashMap<>();
        records.counts(found, since)
                .forEach(each -> byKind.computeIfAbsent(each.kind() + " " + each.currency(), key -> new ArrayList<>())
                        .add(each));
        return new LoadPreviewJson(
                since,
                records.ready(found, since),
                found.ledgerAnswers() ? "" : found.ledger() + " takes files: make batches of it month by month.",
                byKind.values().stream().map(LoadApi::kind).toList());
    }

    @GetMapping
    LastLoad last(@RequestParam String route) {
        Optional<Load> load = store.findLast(routes.getLeading(route).id());
        return new LastLoad(load.map(this::json).orElse(null));
    }

    @PostMapping
    LoadJson begin(@Valid @RequestBody LoadOrderJson order, Principal who) {
        requireLikely(order.since());
        return json(run.begin(
                routes.getLeading(order.route()), order.since(), order.perMinute(), order.ready(), who.getName()));
    }

    @PostMapping("/{id}/stop")
    LoadJson stop(@PathVariable long id, Principal who) {
        return json(run.stop(seen(id), who.getName()));
    }

    @PostMapping("/{id}/go-on")
    LoadJson goOn(@PathVariable long id, Principal who) {
        return json(run.goOn(seen(id), who.getName()));
    }

    @PostMapping("/{id}/end")
    LoadJson end(@PathVariable long id, Principal who) {
        return json(run.end(seen(id), who.getName()));
    }

    private Load seen(long id) {
        Load load = store.get(id);
        routes.get(load.routeId());
        return load;
    }

    private void requireLikely(LocalDate since) {
        LocalDate today = LocalDate.now(clock);
        if (since.isAfter(today) || since.isBefore(today.minusYears(YEARS))) {
            throw NotPossibleException.invalid(
                    "day-unlikely", "A load begins on a day from " + YEARS + " years ago to today.");
        }
    }

    private static LoadKind kind(List<Count> counts) {
        Count one = counts.getFirst();
        return new LoadKind(
                one.kind(),
                one.currency(),
                sum(
                        counts,
                        one,
                        "Ready",
                        "Blocked",
                        "Waiting",
                        "Queued",
                        "Unconfirmed",
                        "Posted",
                        "Diverged",
                        "Refused",
                        "Voided"),
                sum(counts, one, "Ready"),
                sum(counts, one, "Blocked"),
                sum(counts, one, "Waiting"),
                sum(counts, one, "Queued", "Unconfirmed"),
                sum(counts, one, "Posted", "Diverged"),
                sum(counts, one, "Refused"),
                sum(counts, one, "Voided"));
    }

    private static LoadSum sum(List<Count> counts, Count one, String... states) {
        List<Count> meant = counts.stream()
                .filter(each -> List.of(states).contains(each.state()))
                .toList();
        return new LoadSum(
                meant.stream().mapToInt(Count::count).sum(),
                Amounts.decimal(
                        one.currency(), meant.stream().mapToLong(Count::gross).sum()));
    }

    private LoadJson json(Load load) {
        List<Made> batches = store.batches(load.id());
        return new LoadJson(
                load.id(),
                load.since(),
                load.perMinute(),
                load.state(),
                load.reason(),
                load.madeBy(),
                load.madeAt(),
                load.endedAt(),
                load.planned(),
                batches.stream().mapToInt(Made::posted).sum(),
                batches.stream().mapToInt(Made::refused).sum(),
                batches.stream()
                        .map(each -> new LoadBatch(
                                each.id(),
                                each.count(),
                                each.posted(),
                                each.refused(),
                                each.waiting(),
                                each.finished()))
                        .toList());
    }
}
