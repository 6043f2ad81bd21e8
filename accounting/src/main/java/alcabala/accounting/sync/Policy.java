package alcabala.accounting.sync;

/// Who wins where nobody owns and both changed.
public enum Policy {
    ASK,
    SOURCE,
    LEDGER,
    /// Whose change was later.
    LATEST
}
