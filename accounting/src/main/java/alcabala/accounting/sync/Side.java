package alcabala.accounting.sync;

/// One of the two that a route connects.
public enum Side {
    SOURCE,
    LEDGER;

    public Side other() {
        return this == SOURCE ? LEDGER : SOURCE;
    }
}
