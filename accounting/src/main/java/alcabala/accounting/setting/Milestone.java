package alcabala.accounting.setting;

/// What can have happened to a document on its source.
public enum Milestone {
    APPROVED,
    FINISHED,
    SENT,
    PAID,
    /// Its source asks for the number that the ledger gives it, and sends it to the customer only then: once approved
    /// it
    /// goes by itself, whatever others of its kind wait for.
    NUMBER_ASKED
}
