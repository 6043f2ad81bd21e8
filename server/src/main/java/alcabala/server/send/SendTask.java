package alcabala.server.send;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import javax.sql.DataSource;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Lazy;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;
import org.springframework.stereotype.Component;

/// Sends a batch in the background. It is a row in the database, so it goes on after a crash, on whichever server is
/// left.
@Component
class SendTask {
    static final String NAME = "send-batch";
    private final SchedulerClient client;
    private final Clock clock;

    SendTask(DataSource dataSource, Clock clock) {
        // Joins the caller's transaction: the batch and the order to send it stand or fall together.
        this.client = SchedulerClient.Builder.create(new TransactionAwareDataSourceProxy(dataSource))
                .build();
        this.clock = clock;
    }

    void schedule(long batchId) {
        Instant now = clock.instant();
        client.scheduleIfNotExists(
                new com.github.kagkarlsson.scheduler.task.TaskInstance<Void>(NAME, String.valueOf(batchId)), now);
    }

    @Configuration
    static class Scheduling {
        private static final Duration HEARTBEAT = Duration.ofSeconds(1);

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

        /// Dead executions are taken up after a few missed heartbeats, so a killed server's batch goes on within
        /// seconds.
        @Bean(destroyMethod = "")
        Scheduler scheduler(DataSource dataSource, CustomTask<Void> sendBatch) {
            return Scheduler.create(dataSource, sendBatch)
                    .threads(4)
                    .pollingInterval(Duration.ofMillis(500))
                    .heartbeatInterval(HEARTBEAT)
                    .missedHeartbeatsLimit(4)
                    .shutdownMaxWait(Duration.ofSeconds(8))
                    .build();
        }

        @Bean
        org.springframework.context.SmartLifecycle schedulerLifecycle(@Lazy Scheduler scheduler) {
            return new org.springframework.context.SmartLifecycle() {
                private volatile boolean running;

                @Override
                public void start() {
                    scheduler.start();
                    running = true;
                }

                @Override
                public void stop() {
                    running = false;
                    scheduler.stop();
                }

                @Override
                public boolean isRunning() {
                    return running;
                }
            };
        }
    }
}
