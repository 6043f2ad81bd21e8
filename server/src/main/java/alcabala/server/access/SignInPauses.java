package alcabala.server.access;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Slows repeated failures down: from the fifth on, each doubles the pause, up to a quarter of an hour. Kept in the
/// database, so that all servers share it.
@Component
class SignInPauses {
    private static final int FREE = 5;
    private static final Duration LONGEST = Duration.ofMinutes(15);
    private static final Duration FORGOTTEN = Duration.ofHours(1);
    private final JdbcClient jdbc;
    private final Clock clock;

    SignInPauses(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /// How long this name or address still has to wait.
    Optional<Duration> find(List<String> subjects) {
        Instant now = clock.instant();
        return jdbc.sql("select max(blocked_until) from sign_in_failure where subject in (:subjects)")
                .param("subjects", subjects)
                .query(Timestamp.class)
                .optional()
                .map(Timestamp::toInstant)
                .filter(until -> until.isAfter(now))
                .map(until -> Duration.between(now, until).plusSeconds(1));
    }

    void failed(List<String> subjects) {
        Instant now = clock.instant();
        for (String subject : subjects) {
            int failures = jdbc.sql("""
                    insert into sign_in_failure (subject, failures, blocked_until, last_at)
                    values (:subject, 1, :now, :now)
                    on conflict (subject) do update set last_at = :now,
                        failures = case when sign_in_failure.last_at < :forgotten then 1 else sign_in_failure.failures + 1 end
                    returning failures""")
                    .param("subject", subject)
                    .param("now", Timestamp.from(now))
                    .param("forgotten", Timestamp.from(now.minus(FORGOTTEN)))
                    .query(Integer.class)
                    .single();
            if (failures >= FREE) {
                long seconds = Math.min(LONGEST.toSeconds(), 2L << Math.min(failures - FREE, 20));
                jdbc.sql("update sign_in_failure set blocked_until = :until where subject = :subject")
                        .param("until", Timestamp.from(now.plusSeconds(seconds)))
                        .param("subject", subject)
                        .update();
            }
        }
    }

    void succeeded(String subject) {
        jdbc.sql("delete from sign_in_failure where subject = :subject")
                .param("subject", subject)
                .update();
    }
}
