package alcabala.server.jobs;

import com.github.kagkarlsson.scheduler.task.ExecutionComplete;
import com.github.kagkarlsson.scheduler.task.ExecutionOperations;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import java.time.Duration;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/// What becomes of a task that threw something: it is done again after a pause that grows, up to a minute, until it was
/// tried often enough.
public final class Retrying implements FailureHandler<Void> {
    private static final Logger LOG = LoggerFactory.getLogger(Retrying.class);
    private static final Duration LONGEST = Duration.ofMinutes(1);
    private static final int DOUBLED_AT_MOST = 6;
    private final int most;

    private Retrying(int most) {
        this.most = most;
    }

    public static Retrying times(int most) {
        return new Retrying(most);
    }

    @Override
    public void onFailure(ExecutionComplete complete, ExecutionOperations<Void> operations) {
        int failures = complete.getExecution().consecutiveFailures + 1;
        String task = complete.getExecution().taskInstance.toString();
        Throwable cause = complete.getCause().orElse(null);
        if (failures > most) {
            LOG.error("{} failed {} times and is given up", task, failures, cause);
            operations.remove();
            return;
        }
        Duration growing = Duration.ofSeconds(1L << Math.min(failures - 1, DOUBLED_AT_MOST));
        Duration pause = growing.compareTo(LONGEST) > 0 ? LONGEST : growing;
        LOG.warn("{} failed, and is done again in {} s", task, pause.toSeconds(), cause);
        operations.reschedule(complete, complete.getTimeDone().plus(pause));
    }
}
