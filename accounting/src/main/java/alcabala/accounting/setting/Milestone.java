package alcabala.accounting.setting;

/// What can have happened to a document on its source.
public enum Milestone {
    APPROVED,
    FINISHED,
    SENT,
    PAID
}
