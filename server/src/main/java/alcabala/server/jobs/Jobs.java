package alcabala.server.jobs;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.Executors;
import javax.sql.DataSource;
import org.springframework.context.SmartLifecycle;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Lazy;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;
import org.springframework.stereotype.Component;

/// Work in the background. It is a row in the database, so it goes on after a crash, on whichever server is left.
@Component
public class Jobs {
    private final SchedulerClient client;
    private final Clock clock;

    Jobs(DataSource dataSource, Clock clock) {
        // Joins the caller's transaction: what is to be done and the order to do it stand or fall together.
        this.client = SchedulerClient.Builder.create(new TransactionAwareDataSourceProxy(dataSource))
                .build();
        this.clock = clock;
    }

    /// Once for each id of a task while it is not done.
    public void schedule(String task, long id) {
        client.scheduleIfNotExists(new TaskInstance<Void>(task, String.valueOf(id)), clock.instant());
    }

    @Configuration
    static class Scheduling {
        /// Many wait for an outside system.
        private static final int THREADS = 16;
        private static final Duration HEARTBEAT = Duration.ofSeconds(1);

        /// Dead executions are taken up after a few missed heartbeats, so a killed server's work goes on within
        /// seconds.
        @Bean(destroyMethod = "")
        Scheduler scheduler(DataSource dataSource, List<Task<?>> tasks) {
            return Scheduler.create(dataSource, tasks)
                    .threads(THREADS)
                    .executorService(Executors.newVirtualThreadPerTaskExecutor())
                    .pollingInterval(Duration.ofMillis(500))
                    .heartbeatInterval(HEARTBEAT)
                    .missedHeartbeatsLimit(4)
                    .shutdownMaxWait(Duration.ofSeconds(8))
                    .build();
        }

        @Bean
        SmartLifecycle schedulerLifecycle(@Lazy Scheduler scheduler) {
            return new SmartLifecycle() {
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
