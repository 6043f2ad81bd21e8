package alcabala.server.crossing;

import java.util.HashSet;
import java.util.Set;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.function.Supplier;

/// Several requests under way at once, each on a thread of its own. Used by one thread, which starts and heeds them.
final class Lanes implements AutoCloseable {
    private final int width;
    private final ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();
    private final BlockingQueue<Ended> ended = new LinkedBlockingQueue<>();
    private final Set<Long> underWay = new HashSet<>();

    /// What became of one; either how far it came, or what it failed with.
    private record Ended(long id, Progress progress, RuntimeException failure) {}

    Lanes(int width) {
        this.width = width;
    }

    boolean areFree() {
        return underWay.isEmpty();
    }

    boolean haveRoom() {
        return underWay.size() < width;
    }

    Long[] underWay() {
        return underWay.toArray(Long[]::new);
    }

    void start(long id, Supplier<Progress> work) {
        underWay.add(id);
        threads.execute(() -> {
            try {
                ended.add(new Ended(id, work.get(), null));
            } catch (RuntimeException e) {
                ended.add(new Ended(id, null, e));
            }
        });
    }

    /// Waits until one has ended.
    ///
    /// @throws RuntimeException what it failed with
    Progress next() {
        Ended one;
        try {
            one = ended.take();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted while " + underWay.size() + " requests were under way", e);
        }
        underWay.remove(one.id());
        if (one.failure() != null) {
            throw one.failure();
        }
        return one.progress();
    }

    /// Waits until all have ended: what is under way is never left to itself.
    @Override
    public void close() {
        threads.close();
    }
}
