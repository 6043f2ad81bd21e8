package alcabala.server.run;

import alcabala.server.jobs.Work;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.run.RunStore.RunRow;
import alcabala.server.run.Runner.Pulled;
import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.stereotype.Component;

/// Runs that people ask for. One at a time for a route: who asks while another is on is told who began it, and when.
@Component
class ByHand {
    private final Runner runner;
    private final RunStore runs;
    private final Clock clock;

    ByHand(Runner runner, RunStore runs, Clock clock) {
        this.runner = runner;
        this.runs = runs;
        this.clock = clock;
    }

    /// A run of a whole route that several people ask for is done once.
    ///
    /// @throws NotPossibleException when another is under way, and the two are not both of the whole route
    Work<Pulled> ask(RouteRow route, Extent extent, String who) {
        Optional<RunRow> running = runs.findRunning(route.id());
        if (running.isPresent() && !(extent.isRoute() && running.get().isOfRoute())) {
            throw underWay(running);
        }
        return extent.isRoute()
                ? runner.start(route, extent, who, () -> OptionalLong.of(runs.byHand(route.id(), extent, who)))
                : runner.begin(route, extent, who).orElseThrow(() -> underWay(runs.findRunning(route.id())));
    }

    private NotPossibleException underWay(Optional<RunRow> running) {
        String who = running.map(
                        each -> "%s began one of this route %d seconds ago".formatted(each.who(), seconds(each)))
                .orElse("Another of this route has just begun");
        return NotPossibleException.conflict(
                "run-under-way", "There is one run of a route at a time. " + who + "; ask again once it has ended.");
    }

    private long seconds(RunRow run) {
        return Math.max(0, Duration.between(run.startedAt(), clock.instant()).toSeconds());
    }
}
