package alcabala.connectors.http;

import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.Supplier;

/// One question that is asked before its answer is needed. Closed, it no longer waits for an answer on its way.
public final class Ahead<T> implements AutoCloseable {
    private final ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();
    private Future<T> answer;

    public void ask(Supplier<T> question) {
        answer = threads.submit(question::get);
    }

    /// Waits for the answer; what its question threw is thrown here.
    public T answer() {
        try {
            return answer.get();
        } catch (ExecutionException e) {
            if (e.getCause() instanceof RuntimeException cause) {
                throw cause;
            }
            throw new CompletionException(e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CompletionException(e);
        }
    }

    @Override
    public void close() {
        threads.shutdownNow();
    }
}
