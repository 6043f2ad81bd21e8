package alcabala.server.access;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Slows guessing down: an attempt is counted in one step before it is looked at, so that sixty at once are not sixty
/// guesses. From the fifth on each doubles the pause, up to a quarter of an hour. Kept in the database, so that all
/// servers share it.
@Component
class Attempts {
    private static final int FREE = 5;
    private static final Duration LONGEST = Duration.ofMinutes(15);
    private static final Duration FORGOTTEN = Duration.ofHours(1);
    private static final int DOUBLED_AT_MOST = 20;
    private final JdbcClient jdbc;
    private final Clock clock;

    Attempts(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /// Counts one more.
    ///
    /// @param subject what is guessed and by whom, such as a name with an address
    /// @return how long has to be waited, when it is not allowed now
    Optional<Duration> begin(String subject) {
        Instant now = clock.instant();
        Optional<Integer> counted = jdbc.sql("""
                insert into attempt as a (subject, failures, blocked_until, last_at) values (:subject, 1, :now, :now)
                on conflict (subject) do update set last_at = :now,
                    failures = case when a.last_at < :forgotten then 1 else a.failures + 1 end,
                    blocked_until = case when a.last_at >= :forgotten and a.failures + 1 >= :free
                        then cast(:now as timestamptz) + make_interval(secs => least(:longest, 2 * 2.0 ^ least(a.failures + 1 - :free, :doubled)))
                        else :now end
                where a.blocked_until <= :now
                returning failures""")
                .param("subject", subject)
                .param("now", Timestamp.from(now))
                .param("forgotten", Timestamp.from(now.minus(FORGOTTEN)))
                .param("free", FREE)
                .param("longest", LONGEST.toSeconds())
                .param("doubled", DOUBLED_AT_MOST)
                .query(Integer.class)
                .optional();
        return counted.isPresent() ? Optional.empty() : Optional.of(left(subject, now));
    }

    private Duration left(String subject, Instant now) {
        return jdbc.sql("select blocked_until from attempt where subject = :subject")
                .param("subject", subject)
                .query(Timestamp.class)
                .optional()
                .map(until -> Duration.between(now, until.toInstant()).plusSeconds(1))
                .orElse(Duration.ofSeconds(1));
    }

    /// The last one was right.
    void right(String subject) {
        jdbc.sql("delete from attempt where subject = :subject")
                .param("subject", subject)
                .update();
    }

    /// What nobody has guessed at for a day.
    void forget() {
        jdbc.sql("delete from attempt where last_at < :then")
                .param("then", Timestamp.from(clock.instant().minus(Duration.ofDays(1))))
                .update();
    }
}
