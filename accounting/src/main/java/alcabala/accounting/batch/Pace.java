package alcabala.accounting.batch;

import java.time.Duration;

/// How fast much is sent, so that a ledger has room for others.
///
/// @param perMinute records, from [#SLOWEST] to [#FASTEST]
public record Pace(int perMinute) {
    public static final int SLOWEST = 10;
    public static final int FASTEST = 6_000;
    /// A batch is what goes in so many seconds, and never more than is looked at with ease.
    private static final int SECONDS = 10;
    private static final int MOST_AT_ONCE = 500;

    public Pace {
        if (perMinute < SLOWEST || perMinute > FASTEST) {
            throw new IllegalArgumentException(perMinute + " records a minute; from " + SLOWEST + " to " + FASTEST);
        }
    }

    /// How many go in one batch.
    public int atOnce() {
        return Math.clamp(perMinute * SECONDS / 60, 1, MOST_AT_ONCE);
    }

    /// How long it is from the beginning of a batch of so many to that of the next.
    public Duration timeFor(int count) {
        return Duration.ofMillis(count * 60_000L / perMinute);
    }
}
