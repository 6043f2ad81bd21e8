package alcabala.accounting.record;

/// Which side a record was made on.
public enum Origin {
    SOURCE,
    LEDGER;

    public String word() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }
}
