package alcabala.server.crossing;

import alcabala.server.compile.PartyMatchers;
import alcabala.server.compile.Resemblance;
import alcabala.server.connection.Ledgers;
import alcabala.server.connection.Sources;
import alcabala.server.platform.Lease;
import alcabala.server.platform.Pauses;
import alcabala.server.platform.Recently;
import alcabala.server.platform.RouteLeases;
import alcabala.server.platform.Settings;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
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
    /// Within which a connection that was ended may still be used: what is under way at that moment goes on as well.
    private static final Duration MOMENT = Duration.ofSeconds(1);
    private static final Duration SHORTEST = Duration.ofMillis(50);
    private final RouteLeases leases;
    private final JdbcClient jdbc;
    private final Queue queue;
    private final Postings postings;
    private final Dispatches dispatches;
    private final Sender sender;
    private final Pauses pauses;
    private final Routes routes;
    private final PartyMatchers matchers;
    private final LedgerReference reference;
    private final Resemblance resemblance;
    private final Ledgers ledgers;
    private final Sources sources;
    private final BroughtBack back;
    private final int width;

    BatchRun(
            RouteLeases leases,
            JdbcClient jdbc,
            Queue queue,
            Postings postings,
            Dispatches dispatches,
            Sender sender,
            Pauses pauses,
            Routes routes,
            PartyMatchers matchers,
            LedgerReference reference,
            Resemblance resemblance,
            Ledgers ledgers,
            Sources sources,
            BroughtBack back,
            Settings settings) {
        this.leases = leases;
        this.jdbc = jdbc;
        this.queue = queue;
        this.postings = postings;
        this.dispatches = dispatches;
        this.sender = sender;
        this.pauses = pauses;
        this.routes = routes;
        this.matchers = matchers;
        this.reference = reference;
        this.resemblance = resemblance;
        this.ledgers = ledgers;
        this.sources = sources;
        this.back = back;
        this.width = settings.lanes();
    }

    private Trip trip(long routeId) {
        RouteRow route = routes.get(routeId);
        return new Trip(
                route,
                new Recently<>(MOMENT, () -> ledgers.of(route.ledgerId())),
                new Recently<>(MOMENT, () -> sources.of(route.sourceId())),
                new Newcomers(matchers, reference, route.ledgerId()),
                new ConcurrentLinkedQueue<>(),
                ConcurrentHashMap.newKeySet(),
                new ConcurrentHashMap<>());
    }

    /// How long to wait before going on; zero when the batch is through.
    Duration run(long batchId) {
        long route = jdbc.sql("select route_id from batch where id = :id")
                .param("id", batchId)
                .query(Long.class)
                .single();
        if (queue.isOfFiles(batchId)) {
            return Duration.ZERO;
        }
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
        return !queue.isOfFiles(batchId) && queue.findWait(batchId).isPresent();
    }

    private Duration sendAll(long batchId, Trip trip, Lease lease) {
        Deque<Dispatch> due = new ArrayDeque<>();
        boolean reached = false;
        try (Lanes lanes = new Lanes(width)) {
            while (lease.isHeld()) {
                if (due.isEmpty()) {
                    Duration paused = queue.findPause(trip.route().ledgerId());
                    if (!paused.isZero()) {
                        return stop(batchId, trip, lanes, Progress.later(paused, Sender.LIMIT), false);
                    }
                    due.addAll(queue.findDue(batchId, lanes.underWay(), AHEAD));
                    lookAhead(trip, due);
                }
                while (lanes.haveRoom() && !due.isEmpty()) {
                    Dispatch next = due.poll();
                    lanes.start(next.id(), () -> step(trip, next));
                }
                if (lanes.areFree()) {
                    return rest(batchId, trip);
                }
                Progress progress = lanes.next();
                if (progress.failed()) {
                    return stop(batchId, trip, lanes, progress, true);
                }
                if (!reached) {
                    queue.reached(batchId);
                    reached = true;
                }
            }
        }
        return BUSY;
    }

    /// What is frozen does not change, so that it can be read for many at once.
    private void lookAhead(Trip trip, Collection<Dispatch> due) {
        trip.ahead().clear();
        trip.ahead()
                .putAll(postings.findAll(due.stream()
                        .map(Dispatch::postingId)
                        .filter(Objects::nonNull)
                        .toList()));
    }

    /// Nothing more is begun, and what is under way ends. However many lanes the ledger failed in at the same moment,
    /// it
    /// failed once; if it answered in one of them, the failures before that are forgotten.
    ///
    /// @param counts false when somebody else was asked to leave it alone
    private Duration stop(long batchId, Trip trip, Lanes lanes, Progress first, boolean counts) {
        Progress last = first;
        while (!lanes.areFree()) {
            Progress next = lanes.next();
            if (next.failed()) {
                last = next.limited() || !last.limited() ? next : last;
            } else {
                queue.reached(batchId);
            }
        }
        return counts ? heed(batchId, trip, last) : first.pause();
    }

    private Duration heed(long batchId, Trip trip, Progress failed) {
        int inARow = queue.missed(batchId);
        if (inARow >= (failed.limited() ? Pauses.TRIES_AT_A_LIMIT : Pauses.TRIES)) {
            dispatches.leaveAlone(batchId, inARow, failed.reason());
            return rest(batchId, trip);
        }
        Duration pause = pauses.after(failed.limited() ? 1 : inARow, failed.pause());
        if (failed.limited()) {
            queue.pause(trip.route().ledgerId(), pause);
        }
        return pause;
    }

    /// Until the next one may be tried; through when nothing is open.
    private Duration rest(long batchId, Trip trip) {
        back.ofBatch(trip.route(), batchId);
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
}
