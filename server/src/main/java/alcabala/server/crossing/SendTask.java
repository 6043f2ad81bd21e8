package alcabala.server.crossing;

import alcabala.server.jobs.Jobs;
import alcabala.server.jobs.Retrying;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Clock;
import java.time.Duration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/// Sends a batch in the background, with pauses where the ledger asks for them.
@Configuration
public class SendTask {
    static final String NAME = "send-batch";
    /// What a batch fails of as a whole is the database, and that comes back.
    private static final int TRIES = 10_000;

    public static void schedule(Jobs jobs, long batchId) {
        jobs.schedule(NAME, batchId);
    }

    @Bean
    CustomTask<Void> sendBatch(BatchRun run, Jobs jobs, Clock clock) {
        return Tasks.custom(NAME, Void.class).onFailure(Retrying.times(TRIES)).execute((instance, context) -> {
            long batch = Long.parseLong(instance.getId());
            Duration pause = run.run(batch);
            return (complete, operations) -> {
                if (!pause.isZero()) {
                    operations.reschedule(complete, clock.instant().plus(pause));
                    return;
                }
                operations.remove();
                // Somebody may have asked for it again while it was still written down as being done.
                if (run.hasMore(batch)) {
                    schedule(jobs, batch);
                }
            };
        });
    }
}
