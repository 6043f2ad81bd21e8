package alcabala.server.news;

import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;

/// One browser that is being told. One that cannot follow is let go: when it comes back it looks at everything.
final class Reader implements AutoCloseable {
    private static final int BEHIND = 256;
    private final String signIn;
    private final Consumer<Reader> onClose;
    private final BlockingQueue<Optional<Told>> waiting = new ArrayBlockingQueue<>(BEHIND);
    private volatile boolean ended;

    Reader(String signIn, Consumer<Reader> onClose) {
        this.signIn = signIn;
        this.onClose = onClose;
    }

    String signIn() {
        return signIn;
    }

    void tell(Told told) {
        if (!waiting.offer(Optional.of(told))) {
            end();
        }
    }

    /// What is next; empty when nothing came in that time.
    Optional<Told> next(Duration within) throws InterruptedException {
        Optional<Told> next = waiting.poll(within.toMillis(), TimeUnit.MILLISECONDS);
        return next == null ? Optional.empty() : next;
    }

    boolean hasEnded() {
        return ended;
    }

    void end() {
        ended = true;
        waiting.clear();
        waiting.offer(Optional.empty());
    }

    @Override
    public void close() {
        onClose.accept(this);
    }
}
