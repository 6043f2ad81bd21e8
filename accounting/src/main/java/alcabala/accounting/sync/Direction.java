package alcabala.accounting.sync;

/// Which way records of a kind go on a route.
public enum Direction {
    NONE,
    TO_LEDGER,
    FROM_LEDGER,
    BOTH;

    /// Whether a value of this side goes to the other.
    public boolean lets(Side from) {
        return this == BOTH || this == (from == Side.SOURCE ? TO_LEDGER : FROM_LEDGER);
    }
}
