package alcabala.server.crossing;

import alcabala.server.compile.PartyMatchers;
import alcabala.server.compile.Resemblance;
import alcabala.server.connection.Ledgers;
import alcabala.server.platform.Lease;
import alcabala.server.platform.RouteLeases;
import alcabala.server.platform.Settings;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

/// Sends what is open of a batch, in several lanes. One batch at a time on a route, by a lease that outlives neither
/// its process nor its host. What fails is tried again later, and what follows goes on; a ledger that fails again and
/// again is left alone.
@Component
class BatchRun {
    private static final Logger LOG = LoggerFactory.getLogger(BatchRun.class);
    private static final Duration BUSY = Duration.ofSeconds(1);
    /// How many are looked up at a time.
    private static final int AHEAD = 64;
    private static final Duration SHORTEST = Duration.ofMillis(50);
    private final RouteLeases leases;
    private final JdbcClient jdbc;
    private final Queue queue;
    private final Dispatches dispatches;
    private final Sender sender;
    private final Pauses pauses;
    private final Routes routes;
    private final PartyMatchers matchers;
    private final LedgerReference reference;
    private final Resemblance resemblance;
    private final Ledgers ledgers;
    private final int width;

    BatchRun(
            RouteLeases leases,
            JdbcClient jdbc,
            Queue queue,
            Dispatches dispatches,
            Sender sender,
            Pauses pauses,
            Routes routes,
            PartyMatchers matchers,
            LedgerReference reference,
            Resemblance resemblance,
            Ledgers ledgers,
            Settings settings) {
        this.leases = leases;
        this.jdbc = jdbc;
        this.queue = queue;
        this.dispatches = dispatches;
        this.sender = sender;
        this.pauses = pauses;
        this.routes = routes;
        this.matchers = matchers;
        this.reference = reference;
        this.resemblance = resemblance;
        this.ledgers = ledgers;
        this.width = settings.lanes();
    }

    private Trip trip(long routeId) {
        RouteRow route = routes.get(routeId);
        return new Trip(
                route,
                () -> ledgers.of(route.ledgerId()),
                new Newcomers(matchers, reference, route.ledgerId()),
                new ConcurrentLinkedQueue<>());
    }

    /// How long to wait before going on; zero when the batch is through.
    Duration run(long batchId) {
        long route = jdbc.sql("select route_id from batch where id = :id")
                .param("id", batchId)
                .query(Long.class)
                .single();
        Optional<Lease> lease = leases.take(route);
        if (lease.isEmpty()) {
            return BUSY;
        }
        Trip trip = trip(route);
        try (Lease own = lease.get()) {
            return sendAll(batchId, trip, own);
        } catch (MovedMeanwhileException e) {
            LOG.info("{}; this one stops", e.getMessage());
            return BUSY;
        } finally {
            // Whoever resembles one of them is asked about before it is compiled, and again before it is created.
            resemblance.askAbout(trip.route().ledgerId(), List.copyOf(trip.created()), Counterparts.WHO);
        }
    }

    boolean hasMore(long batchId) {
        return queue.findWait(batchId).isPresent();
    }

    private Duration sendAll(long batchId, Trip trip, Lease lease) {
        Deque<Dispatch> due = new ArrayDeque<>();
        try (Lanes lanes = new Lanes(width)) {
            while (lease.isHeld()) {
                Duration paused = queue.findPause(trip.route().ledgerId());
                if (!paused.isZero() && lanes.areFree()) {
                    return paused;
                }
                if (due.isEmpty() && paused.isZero()) {
                    due.addAll(queue.findDue(batchId, lanes.underWay(), AHEAD));
                }
                if (due.isEmpty() && lanes.areFree()) {
                    return rest(batchId);
                }
                while (paused.isZero() && lanes.haveRoom() && !due.isEmpty() && lease.isHeld()) {
                    Dispatch next = due.poll();
                    lanes.start(next.id(), () -> step(trip, next));
                }
                Optional<Failure> failure = lanes.areFree() ? Optional.empty() : heed(batchId, trip, lanes.next());
                if (failure.isPresent()) {
                    return stop(batchId, trip, lanes, failure.get());
                }
            }
        }
        return BUSY;
    }

    /// Until the next one may be tried; through when nothing is open.
    private Duration rest(long batchId) {
        Optional<Duration> wait = queue.findWait(batchId);
        if (wait.isEmpty()) {
            queue.finish(batchId);
            return Duration.ZERO;
        }
        return wait.get().compareTo(SHORTEST) < 0 ? SHORTEST : wait.get();
    }

    /// A fault of ours with one document is no reason to leave the others.
    private Progress step(Trip trip, Dispatch dispatch) {
        try {
            return sender.step(trip, dispatch);
        } catch (MovedMeanwhileException | DataAccessException | TransactionException e) {
            throw e;
        } catch (RuntimeException e) {
            LOG.error("dispatch {} could not be taken further", dispatch.id(), e);
            dispatches.broke(dispatch.id(), e);
            return Progress.DONE;
        }
    }

    /// A failure of the ledger, or its wish to be left alone.
    ///
    /// @param inARow how often it failed without an answer in between; 0 when it has answered since
    private record Failure(int inARow, boolean limited, Duration pause, String reason) {
        boolean isTheLast() {
            return inARow >= (limited ? Pauses.TRIES_AT_A_LIMIT : Pauses.TRIES);
        }

        Failure answeredSince() {
            return new Failure(0, limited, pause, reason);
        }
    }

    private Optional<Failure> heed(long batchId, Trip trip, Progress progress) {
        if (!progress.failed()) {
            queue.reached(batchId);
            return Optional.empty();
        }
        int failures = queue.missed(batchId);
        Duration pause = pauses.after(progress.limited() ? 1 : failures, progress.pause());
        if (progress.limited()) {
            queue.pause(trip.route().ledgerId(), pause);
        }
        return Optional.of(new Failure(failures, progress.limited(), pause, progress.reason()));
    }

    /// Nothing more is begun, and what is under way ends before anything is given up.
    private Duration stop(long batchId, Trip trip, Lanes lanes, Failure first) {
        Failure last = first;
        while (!lanes.areFree()) {
            Failure before = last;
            last = heed(batchId, trip, lanes.next()).orElseGet(before::answeredSince);
        }
        if (last.isTheLast()) {
            dispatches.leaveAlone(batchId, last.inARow(), last.reason());
            return rest(batchId);
        }
        return last.pause();
    }
}
