package alcabala.server.crossing;

import alcabala.server.platform.Lease;
import alcabala.server.platform.RouteLeases;
import java.time.Duration;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

/// Sends what is open of a batch, one document after the other. One batch at a time on a route, by a lease that
/// outlives neither its process nor its host. What fails is tried again later, and what follows goes on; a ledger
/// that fails again and again is left alone.
@Component
class BatchRun {
    private static final Logger LOG = LoggerFactory.getLogger(BatchRun.class);
    private static final Duration BUSY = Duration.ofSeconds(1);
    private static final Duration SHORTEST = Duration.ofMillis(50);
    private final RouteLeases leases;
    private final JdbcClient jdbc;
    private final Queue queue;
    private final Dispatches dispatches;
    private final Sender sender;
    private final Pauses pauses;

    BatchRun(RouteLeases leases, JdbcClient jdbc, Queue queue, Dispatches dispatches, Sender sender, Pauses pauses) {
        this.leases = leases;
        this.jdbc = jdbc;
        this.queue = queue;
        this.dispatches = dispatches;
        this.sender = sender;
        this.pauses = pauses;
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
        try (Lease own = lease.get()) {
            return sendAll(batchId, own);
        } catch (MovedMeanwhileException e) {
            LOG.info("{}; this one stops", e.getMessage());
            return BUSY;
        }
    }

    boolean hasMore(long batchId) {
        return queue.findWait(batchId).isPresent();
    }

    private Duration sendAll(long batchId, Lease lease) {
        while (lease.isHeld()) {
            Optional<Dispatch> next = queue.findNext(batchId);
            if (next.isEmpty()) {
                return rest(batchId);
            }
            Duration pause = heed(batchId, step(next.get()));
            if (!pause.isZero()) {
                return pause;
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
    private Progress step(Dispatch dispatch) {
        try {
            return sender.step(dispatch);
        } catch (MovedMeanwhileException | DataAccessException | TransactionException e) {
            throw e;
        } catch (RuntimeException e) {
            LOG.error("dispatch {} could not be taken further", dispatch.id(), e);
            dispatches.broke(dispatch.id(), e);
            return Progress.DONE;
        }
    }

    private Duration heed(long batchId, Progress progress) {
        if (!progress.failed()) {
            queue.reached(batchId);
            return Duration.ZERO;
        }
        int failures = queue.missed(batchId);
        if (failures >= (progress.limited() ? Pauses.TRIES_AT_A_LIMIT : Pauses.TRIES)) {
            dispatches.leaveAlone(batchId, failures, progress.reason());
            return Duration.ZERO;
        }
        return progress.limited() ? pauses.after(1, progress.pause()) : pauses.after(failures, progress.pause());
    }
}
