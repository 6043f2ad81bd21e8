package alcabala.accounting.sync;

/// The rows of the table in "The merge of one field", in its order: the first that fits decides.
public enum Case {
    UNCHANGED,
    UNCHANGED_APART,
    CHANGED_ALIKE,
    DIRECTION_NONE,
    SOURCE_TRAVELS,
    SOURCE_ONLY,
    LEDGER_TRAVELS,
    LEDGER_ONLY,
    OWNER_WINS,
    POLICY_WINS,
    LATEST_WINS,
    PERSON_DECIDES;

    /// As the table numbers it.
    public int row() {
        return ordinal() + 1;
    }
}
