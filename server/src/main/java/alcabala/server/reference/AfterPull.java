package alcabala.server.reference;

/// Told, within the transaction of a pull, that what a ledger owns has changed.
public interface AfterPull {
    void referenceChanged(long ledgerId, String who);
}
