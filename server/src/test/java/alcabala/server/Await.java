package alcabala.server;

import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;

/// Awaits a condition instead of sleeping for a time.
public final class Await {
    private static final Duration PATIENCE = Duration.ofSeconds(90);

    private Await() {}

    public static void until(String what, BooleanSupplier condition) {
        Instant end = Instant.now().plus(PATIENCE);
        while (!condition.getAsBoolean()) {
            if (Instant.now().isAfter(end)) {
                throw new AssertionError("not within " + PATIENCE + ": " + what);
            }
            LockSupport.parkNanos(Duration.ofMillis(50).toNanos());
        }
    }
}
