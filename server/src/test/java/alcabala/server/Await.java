package alcabala.server;

import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;

/// Awaits a condition instead of sleeping for a time.
public final class Await {
    private static final Duration PATIENCE = Duration.ofSeconds(90);

    private Await() {}

    /// @return the first value that is not null
    public static <T> T value(String what, Supplier<T> asked) {
        AtomicReference<T> found = new AtomicReference<>();
        until(what, () -> {
            found.set(asked.get());
            return found.get() != null;
        });
        return found.get();
    }

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
