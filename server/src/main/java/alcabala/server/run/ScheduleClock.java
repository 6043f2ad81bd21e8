package alcabala.server.run;

import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

/// Looks what is due, on every server; whoever begins it first does it. What a server was at when it ended is gone on
/// with by another within a minute: both feeds go on where their cursors stand.
@Component
class ScheduleClock {
    private static final Logger LOG = LoggerFactory.getLogger(ScheduleClock.class);
    private static final long EVERY_MILLIS = 5_000;
    private final Routes routes;
    private final Schedules schedules;
    private final RunStore runs;
    private final Runner runner;

    ScheduleClock(Routes routes, Schedules schedules, RunStore runs, Runner runner) {
        this.routes = routes;
        this.schedules = schedules;
        this.runs = runs;
        this.runner = runner;
    }

    @Scheduled(fixedDelay = EVERY_MILLIS)
    void look() {
        try {
            runs.dead().forEach(this::resume);
            schedules.due().forEach(this::begin);
        } catch (DataAccessException | TransactionException e) {
            LOG.warn("what is due could not be looked up: {}", e.getMessage());
        }
    }

    private void begin(RouteRow route) {
        runner.start(route, Extent.ROUTE, Schedules.WHO, () -> schedules.begin(route));
    }

    private void resume(RunStore.Dead dead) {
        int before = runs.resumed(dead.id());
        runner.start(routes.get(dead.routeId()), dead.extent(), dead.who(), () -> runs.resume(dead.id(), before));
    }
}
