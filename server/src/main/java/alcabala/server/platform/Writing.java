package alcabala.server.platform;

import java.time.ZoneId;

/// The conventions of whoever a thread works for, by which sentences are written.
public final class Writing {
    private static final ThreadLocal<Conventions> OF_THREAD = new ThreadLocal<>();

    private Writing() {}

    public static Conventions now() {
        Conventions conventions = OF_THREAD.get();
        return conventions == null ? Conventions.usual(ZoneId.systemDefault()) : conventions;
    }

    /// Until it is closed.
    public static Scope as(Conventions conventions) {
        Conventions before = OF_THREAD.get();
        OF_THREAD.set(conventions);
        return () -> OF_THREAD.set(before);
    }

    /// As long as somebody is written for.
    public interface Scope extends AutoCloseable {
        @Override
        void close();
    }
}
