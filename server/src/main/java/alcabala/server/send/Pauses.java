package alcabala.server.send;

import io.github.resilience4j.core.IntervalFunction;
import java.time.Duration;

/// How long is waited after something failed on its way: longer each time, somewhat at random so that many do not come
/// back
/// at once, and not without end.
final class Pauses {
    /// How often one document is tried, and how often in a row a ledger may not answer, before it is given up.
    static final int TRIES = 8;
    /// A request limit is no failure, so it is waited for longer.
    static final int TRIES_AT_A_LIMIT = 40;
    private static final Duration FIRST = Duration.ofMillis(500);
    private static final Duration LONGEST = Duration.ofSeconds(30);
    private static final IntervalFunction GROWING =
            IntervalFunction.ofExponentialRandomBackoff(FIRST, 2, 0.25, LONGEST);

    private Pauses() {}

    /// @param failures how often it failed, this time included
    static Duration after(int failures) {
        return Duration.ofMillis(GROWING.apply(Math.clamp(failures, 1, TRIES_AT_A_LIMIT)));
    }

    /// What was asked for, when that is longer.
    static Duration after(int failures, Duration asked) {
        Duration growing = after(failures);
        return asked.compareTo(growing) > 0 ? asked : growing;
    }
}
