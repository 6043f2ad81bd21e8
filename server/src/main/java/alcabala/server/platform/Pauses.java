package alcabala.server.platform;

import io.github.resilience4j.core.IntervalFunction;
import java.time.Duration;
import org.springframework.stereotype.Component;

/// How long is waited after something failed on its way: longer each time, somewhat at random so that many do not
/// come back at once, and not without end.
@Component
public class Pauses {
    /// How often one document is tried, and how often in a row a ledger may not answer, before it is given up.
    public static final int TRIES = 8;
    /// A request limit is no failure, so it is waited for longer.
    public static final int TRIES_AT_A_LIMIT = 40;
    private static final int LONGEST_TIMES = 60;
    private final IntervalFunction growing;

    Pauses(Settings settings) {
        Duration first = settings.pause();
        growing = IntervalFunction.ofExponentialRandomBackoff(first, 2, 0.25, first.multipliedBy(LONGEST_TIMES));
    }

    /// @param failures how often it failed, this time included
    public Duration after(int failures) {
        return Duration.ofMillis(growing.apply(Math.clamp(failures, 1, TRIES_AT_A_LIMIT)));
    }

    /// What was asked for, when that is longer.
    public Duration after(int failures, Duration asked) {
        Duration own = after(failures);
        return asked.compareTo(own) > 0 ? asked : own;
    }
}
