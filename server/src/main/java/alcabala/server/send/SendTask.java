package alcabala.server.send;

import alcabala.server.platform.Jobs;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Clock;
import java.time.Duration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/// Sends a batch in the background, with pauses where the ledger asks for them.
@Configuration
class SendTask {
    static final String NAME = "send-batch";

    static void schedule(Jobs jobs, long batchId) {
        jobs.schedule(NAME, batchId);
    }

    @Bean
    CustomTask<Void> sendBatch(BatchRun run, Clock clock) {
        return Tasks.custom(NAME, Void.class).execute((instance, context) -> {
            Duration pause = run.run(Long.parseLong(instance.getId()));
            return (complete, operations) -> {
                if (pause.isZero()) {
                    operations.remove();
                } else {
                    operations.reschedule(complete, clock.instant().plus(pause));
                }
            };
        });
    }
}
