package alcabala.server.run;

import alcabala.accounting.schedule.QuietWindow;
import alcabala.accounting.schedule.RunSchedule;
import alcabala.accounting.setting.Carried;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Problem;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.run.RunFigures.Figure;
import alcabala.server.run.RunStore.Only;
import alcabala.server.run.RunStore.RunRow;
import alcabala.server.run.Schedules.Scheduled;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// The runs of a route: what came of them, and when the next ones take place.
@RestController
@RequestMapping("/api/runs")
class RunsApi {
    private static final int LARGEST_PAGE = 100;
    private static final int FOLLOWING = 3;
    private final Routes routes;
    private final RunStore runs;
    private final RunFigures figures;
    private final Schedules schedules;

    /// @param origin `hand` or `schedule`
    /// @param missed how many more had been planned since, while none took place
    /// @param resumed how often it was gone on with after its server had ended
    /// @param state `running`, `done` or `failed`
    /// @param carried what it is of; null for all of the route, or for single records
    /// @param records how many single ones it is of; 0 for one that is not
    /// @param number of the first of these; empty where there are none
    record RunJson(
            long id,
            String origin,
            String who,
            Instant plannedAt,
            int missed,
            int resumed,
            Instant startedAt,
            Instant finishedAt,
            String state,
            String sentence,
            Problem problem,
            Carried carried,
            int records,
            String number) {
        static RunJson of(RunRow row) {
            return new RunJson(
                    row.id(),
                    row.origin(),
                    row.who(),
                    row.plannedAt(),
                    row.missed(),
                    row.resumed(),
                    row.startedAt(),
                    row.finishedAt(),
                    row.state(),
                    row.sentence(),
                    row.problem(),
                    row.carried(),
                    row.records(),
                    row.number());
        }
    }

    /// @param more whether there are older ones
    record RunPage(List<RunJson> runs, boolean more) {}

    /// @param what such as `NEW`, or how far one that was sent has come, such as `POSTED`
    /// @param kind of record, or `party` or `item`
    /// @param before of the run before this one
    record RunFigure(String what, String kind, int count, int before) {}

    /// @param before the run that it is compared with; null for the first
    record RunDetail(RunJson run, List<RunFigure> figures, Long before) {}

    /// @param id 0 for a party or an item, which has no date and no money
    /// @param number of a party or an item its code
    record RunRecordJson(long id, String number, String party, LocalDate date, String currency, String gross) {}

    record QuietHours(long id, String side, Set<DayOfWeek> days, LocalTime from, LocalTime until) {}

    /// When a route runs by itself.
    ///
    /// @param firstAt on the wall where the business is; null where it does not run by itself
    /// @param nextAt when the next run takes place; null where none does
    /// @param postponed whether that is later than planned
    /// @param following those after it
    /// @param version 0 where it does not run by itself
    record ScheduleJson(
            LocalDateTime firstAt,
            int everyMinutes,
            Set<DayOfWeek> days,
            Instant nextAt,
            boolean postponed,
            List<Instant> following,
            int version,
            String setBy,
            Instant setAt,
            List<QuietHours> quiet,
            String zone) {}

    record SetSchedule(
            @NotBlank String route,
            @NotNull LocalDateTime firstAt,
            @Min(5) @Max(28 * 24 * 60) int everyMinutes,
            @NotEmpty Set<@NotNull DayOfWeek> days,
            int expectedVersion) {}

    /// @param seen when the run was to take place, as it was seen
    record PostponeRun(
            @NotBlank String route,
            @NotNull Instant seen,
            @NotNull Instant until) {}

    record AddQuietHours(
            @NotBlank String route,
            @NotNull Boolean ledger,
            @NotEmpty Set<@NotNull DayOfWeek> days,
            @NotNull LocalTime from,
            @NotNull LocalTime until) {}

    RunsApi(Routes routes, RunStore runs, RunFigures figures, Schedules schedules) {
        this.routes = routes;
        this.runs = runs;
        this.figures = figures;
        this.schedules = schedules;
    }

    /// The newest first.
    @GetMapping
    RunPage list(
            @RequestParam String route,
            @RequestParam(defaultValue = "ALL") Only only,
            @RequestParam(required = false) Long before,
            @RequestParam(defaultValue = "50") int limit) {
        int size = Math.clamp(limit, 1, LARGEST_PAGE);
        List<RunRow> rows = runs.page(routes.get(route).id(), only, before, size + 1);
        return new RunPage(rows.stream().limit(size).map(RunJson::of).toList(), rows.size() > size);
    }

    @GetMapping("/{id}")
    RunDetail one(@PathVariable long id, @RequestParam String route) {
        RouteRow found = routes.get(route);
        RunRow run = runs.get(found.id(), id);
        Optional<RunRow> before = runs.page(found.id(), Only.ALL, id, LARGEST_PAGE).stream()
                .filter(each -> each.state().equals("done") && run.records() == 0 && each.records() == 0)
                .filter(each -> each.carried() == run.carried())
                .findFirst();
        List<Figure> was = before.map(each -> figures.of(each.id())).orElse(List.of());
        return new RunDetail(
                RunJson.of(run),
                compared(figures.of(id), was),
                before.map(RunRow::id).orElse(null));
    }

    private static List<RunFigure> compared(List<Figure> now, List<Figure> was) {
        Stream<RunFigure> own =
                now.stream().map(each -> new RunFigure(each.what(), each.kind(), each.count(), count(was, each)));
        Stream<RunFigure> gone = was.stream()
                .filter(each -> count(now, each) == 0)
                .map(each -> new RunFigure(each.what(), each.kind(), 0, each.count()));
        return Stream.concat(own, gone).toList();
    }

    private static int count(List<Figure> figures, Figure like) {
        return figures.stream()
                .filter(each -> each.what().equals(like.what()) && each.kind().equals(like.kind()))
                .mapToInt(Figure::count)
                .sum();
    }

    /// The records behind a figure, the first 500.
    @GetMapping("/{id}/records")
    List<RunRecordJson> records(
            @PathVariable long id,
            @RequestParam String route,
            @RequestParam @Size(max = 40) String what,
            @RequestParam @Size(max = 40) String kind) {
        runs.get(routes.get(route).id(), id);
        return figures.records(id, what, kind).stream()
                .map(each -> new RunRecordJson(
                        each.id(),
                        each.number(),
                        each.party(),
                        each.date(),
                        each.currency(),
                        each.currency().isEmpty() ? "" : Amounts.decimal(each.currency(), each.gross())))
                .toList();
    }

    @GetMapping("/schedule")
    ScheduleJson schedule(@RequestParam String route) {
        return json(routes.getLeading(route));
    }

    private ScheduleJson json(RouteRow route) {
        List<QuietHours> quiet = schedules.windows(route).stream()
                .map(each -> new QuietHours(each.id(), each.side(), each.days(), each.from(), each.until()))
                .toList();
        String zone = schedules.zone().getId();
        return schedules
                .find(route)
                .map(each -> json(route, each, quiet, zone))
                .orElse(new ScheduleJson(null, 0, Set.of(), null, false, List.of(), 0, "", null, quiet, zone));
    }

    private ScheduleJson json(RouteRow route, Scheduled set, List<QuietHours> quiet, String zone) {
        List<QuietWindow> windows = schedules.quiet(route);
        List<Instant> following = set.nextAt() == null
                ? List.of()
                : Stream.iterate(
                                set.schedule().next(set.nextAt(), windows),
                                Optional::isPresent,
                                each -> set.schedule().next(each.orElseThrow(), windows))
                        .limit(FOLLOWING)
                        .flatMap(Optional::stream)
                        .toList();
        return new ScheduleJson(
                set.schedule().first(),
                (int) set.schedule().every().toMinutes(),
                new TreeSet<>(set.schedule().days()),
                set.nextAt(),
                set.nextAt() != null && set.nextAt().isAfter(set.plannedAt()),
                following,
                set.version(),
                set.setBy(),
                set.setAt(),
                quiet,
                zone);
    }

    @PutMapping("/schedule")
    ScheduleJson set(@Valid @RequestBody SetSchedule wanted, Principal who) {
        RouteRow route = routes.getLeading(wanted.route());
        if (wanted.firstAt().getYear() < 2000 || wanted.firstAt().getYear() > 2100) {
            throw NotPossibleException.invalid("moment-unfit", "The first run is in no year of this century.");
        }
        RunSchedule schedule = new RunSchedule(
                wanted.firstAt(), Duration.ofMinutes(wanted.everyMinutes()), wanted.days(), schedules.zone());
        schedules.set(route, schedule, wanted.expectedVersion(), who.getName());
        return json(route);
    }

    @DeleteMapping("/schedule")
    ScheduleJson remove(@RequestParam String route, Principal who) {
        RouteRow found = routes.getLeading(route);
        schedules.remove(found, who.getName());
        return json(found);
    }

    /// The next run takes place then, and those after it as planned.
    @PostMapping("/schedule/postponement")
    ScheduleJson postpone(@Valid @RequestBody PostponeRun wanted, Principal who) {
        RouteRow route = routes.getLeading(wanted.route());
        schedules.postpone(route, wanted.seen(), wanted.until(), who.getName());
        return json(route);
    }

    /// For all routes of that system.
    @PostMapping("/quiet-hours")
    @ResponseStatus(HttpStatus.CREATED)
    ScheduleJson add(@Valid @RequestBody AddQuietHours wanted, Principal who) {
        RouteRow route = routes.getLeading(wanted.route());
        schedules.add(
                route, wanted.ledger(), new QuietWindow(wanted.days(), wanted.from(), wanted.until()), who.getName());
        return json(route);
    }

    @DeleteMapping("/quiet-hours/{id}")
    ScheduleJson removeWindow(@PathVariable long id, @RequestParam String route, Principal who) {
        RouteRow found = routes.getLeading(route);
        schedules.removeWindow(found, id, who.getName());
        return json(found);
    }
}
