package alcabala.accounting.sync;

/// Whose field it is.
public enum Owner {
    SOURCE,
    LEDGER,
    NOBODY;

    boolean isOther(Side side) {
        return this != NOBODY && !is(side);
    }

    boolean is(Side side) {
        return name().equals(side.name());
    }
}
