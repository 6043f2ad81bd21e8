package alcabala.server.platform;

/// The right to do something alone, for as long as it is renewed. It outlives neither its process nor its host.
public interface Lease extends AutoCloseable {
    /// Whether it still holds. A process that was stopped for a while finds that it does not.
    boolean isHeld();

    /// Lets others have it.
    @Override
    void close();
}
