package alcabala.server.load;

import alcabala.accounting.batch.Pace;
import alcabala.server.jobs.Jobs;
import alcabala.server.load.Load.State;
import alcabala.server.load.LoadRecords.Next;
import alcabala.server.load.LoadStore.Made;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.send.Sending;
import alcabala.server.trail.Trail;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/// Takes a load one batch further. That a batch was made and how far the load has come are one transaction: it goes on
/// where it was, whatever died, and each record is passed once. What the ledger refuses holds nothing up; what does not
/// get through stops it, until somebody goes on over it.
@Component
class LoadRun {
    private static final Duration LOOK = Duration.ofSeconds(1);
    private static final Duration AT_ONCE = Duration.ofMillis(1);
    private final LoadStore store;
    private final LoadRecords records;
    private final Routes routes;
    private final Sending sending;
    private final TransactionTemplate transaction;
    private final Trail trail;
    private final Jobs jobs;

    LoadRun(
            LoadStore store,
            LoadRecords records,
            Routes routes,
            Sending sending,
            TransactionTemplate transaction,
            Trail trail,
            Jobs jobs) {
        this.store = store;
        this.records = records;
        this.routes = routes;
        this.sending = sending;
        this.transaction = transaction;
        this.trail = trail;
        this.jobs = jobs;
    }

    /// @param shown how many somebody saw to be ready before she said so
    @Transactional
    Load begin(RouteRow route, LocalDate since, int perMinute, int shown, String who) {
        routes.lock(route.id());
        if (!route.ledgerAnswers()) {
            throw NotPossibleException.invalid(
                    "load-by-files",
                    route.ledger()
                            + " takes files, and each has to be answered before what settles it can go. Make batches of it month by month.");
        }
        int ready = records.ready(route, since);
        if (ready != shown) {
            throw NotPossibleException.conflict(
                    "not-as-shown",
                    "You were shown %d that are ready; now there are %d. Nothing was sent; look again."
                            .formatted(shown, ready));
        }
        if (ready == 0) {
            throw NotPossibleException.invalid("nothing-to-load", "Nothing of that time is ready to go.");
        }
        long id = store.add(route.id(), since, perMinute, ready, who);
        trail.write(
                route.id(), null, who, "load-begun", Map.of("load", id, "since", since.toString(), "records", ready));
        LoadTask.schedule(jobs, id);
        return store.get(id);
    }

    @Transactional
    Load stop(Load load, String who) {
        return become(load, State.RUNNING, State.STOPPED, "Stopped by " + who + ".", "load-stopped", who);
    }

    @Transactional
    Load goOn(Load load, String who) {
        Load now = become(load, State.STOPPED, State.RUNNING, "", "load-gone-on-with", who);
        LoadTask.schedule(jobs, load.id());
        return now;
    }

    /// What it has not sent stays as it is.
    @Transactional
    Load end(Load load, String who) {
        return become(
                load, State.STOPPED, State.DONE, "Ended by " + who + " before all of it was sent.", "load-ended", who);
    }

    private Load become(Load load, State was, State state, String reason, String action, String who) {
        if (!store.become(load.id(), was, state, reason)) {
            throw NotPossibleException.conflict("changed-meanwhile", "It is not as it was any more; look at it again.");
        }
        trail.write(load.routeId(), null, who, action, Map.of("load", load.id(), "reason", reason));
        return store.get(load.id());
    }

    /// @return how long to wait until it is gone on with; zero when it is not
    Duration step(long id) {
        Load load = store.get(id);
        if (!load.isRunning()) {
            return Duration.ZERO;
        }
        Optional<Made> last = store.findLastBatch(id);
        if (last.isPresent() && !last.get().finished()) {
            return LOOK;
        }
        if (last.isPresent() && last.get().waiting() > 0 && last.get().id() != load.heeded()) {
            halt(
                    load,
                    "%d of batch %d did not get through. Try them again there, or leave them, then go on."
                            .formatted(last.get().waiting(), last.get().id()));
            return Duration.ZERO;
        }
        try {
            return transaction.execute(status -> next(id));
        } catch (NotPossibleException e) {
            halt(load, e.getMessage());
            return Duration.ZERO;
        }
    }

    private void halt(Load load, String reason) {
        if (store.become(load.id(), State.RUNNING, State.STOPPED, reason)) {
            trail.write(load.routeId(), null, "Alcabala", "load-stopped", Map.of("load", load.id(), "reason", reason));
        }
    }

    private Duration next(long id) {
        Load load = store.get(id);
        RouteRow route = routes.get(load.routeId());
        routes.lock(route.id());
        Pace pace = new Pace(load.perMinute());
        List<Next> next = records.next(route, load, pace.atOnce());
        if (next.isEmpty()) {
            store.become(id, State.RUNNING, State.DONE, "");
            trail.write(route.id(), null, load.madeBy(), "load-ended", Map.of("load", id, "reason", ""));
            return Duration.ZERO;
        }
        Next behind = next.getLast();
        if (!store.passed(load, behind.phase(), behind.day(), behind.id())) {
            return LOOK;
        }
        Optional<Long> batch = sending.send(route, next.stream().map(Next::id).toList(), load.madeBy());
        batch.ifPresent(made -> store.made(id, made));
        // What could not go took no room on the ledger.
        return batch.isPresent() ? pace.timeFor(next.size()) : AT_ONCE;
    }
}
