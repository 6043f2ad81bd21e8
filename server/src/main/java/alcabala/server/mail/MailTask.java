package alcabala.server.mail;

import alcabala.server.jobs.Jobs;
import alcabala.server.jobs.Retrying;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Clock;
import java.time.Duration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/// Sends mail in the background, with growing pauses while its server does not take it.
@Configuration
class MailTask {
    private static final String NAME = "send-mail";
    /// What fails here is the database, and that comes back.
    private static final int TRIES = 10_000;

    static void schedule(Jobs jobs, long mail) {
        jobs.schedule(NAME, mail);
    }

    @Bean
    CustomTask<Void> sendMail(Postman postman, Clock clock) {
        return Tasks.custom(NAME, Void.class).onFailure(Retrying.times(TRIES)).execute((instance, context) -> {
            Duration pause = postman.send(Long.parseLong(instance.getId()));
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
