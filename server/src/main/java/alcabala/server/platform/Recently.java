package alcabala.server.platform;

import java.time.Duration;
import java.util.function.Supplier;

/// What was looked up a moment ago, so that many who ask at once do not each look it up again. Whoever changes it is
/// heeded after that moment.
public final class Recently<T> implements Supplier<T> {
    private final long moment;
    private final Supplier<T> lookup;
    private volatile Seen<T> seen;

    private record Seen<T>(T value, long at) {}

    public Recently(Duration moment, Supplier<T> lookup) {
        this.moment = moment.toNanos();
        this.lookup = lookup;
    }

    /// @throws RuntimeException what the look-up failed with, which is not remembered
    @Override
    public T get() {
        Seen<T> last = seen;
        long now = System.nanoTime();
        if (last != null && now - last.at() < moment) {
            return last.value();
        }
        T value = lookup.get();
        seen = new Seen<>(value, now);
        return value;
    }

    /// The next who asks looks it up again.
    public void forget() {
        seen = null;
    }
}
