package alcabala.server.load;

import alcabala.server.jobs.Jobs;
import alcabala.server.jobs.Retrying;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Clock;
import java.time.Duration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/// Loads in the background, at the pace that somebody gave.
@Configuration
class LoadTask {
    private static final String NAME = "historical-load";
    /// What fails here is the database, and that comes back.
    private static final int TRIES = 10_000;

    static void schedule(Jobs jobs, long load) {
        jobs.schedule(NAME, load);
    }

    @Bean
    CustomTask<Void> historicalLoad(LoadRun run, LoadStore store, Jobs jobs, Clock clock) {
        return Tasks.custom(NAME, Void.class).onFailure(Retrying.times(TRIES)).execute((instance, context) -> {
            long load = Long.parseLong(instance.getId());
            Duration pause = run.step(load);
            return (complete, operations) -> {
                if (!pause.isZero()) {
                    operations.reschedule(complete, clock.instant().plus(pause));
                    return;
                }
                operations.remove();
                // Somebody may have gone on with it while it was still written down as being done.
                if (store.get(load).isRunning()) {
                    schedule(jobs, load);
                }
            };
        });
    }
}
