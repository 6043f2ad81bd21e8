package alcabala.accounting.record;

/// Kinds that are compiled alike (records, section 1).
public enum Family {
    DOCUMENT,
    SETTLEMENT,
    /// Money between accounts of one's own, which waits for what was received.
    TRANSFER
}
