package alcabala.accounting.setting;

import java.util.Locale;

/// What makes a document cross (domain, section 4).
public enum Trigger {
    /// Approved ones wait for a batch.
    BATCH,
    /// Approved ones wait until somebody chooses them one by one.
    BY_HAND,
    APPROVED,
    FINISHED,
    SENT,
    PAID;

    static Trigger of(String word) {
        return valueOf(word.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    /// Whether documents go by themselves as soon as they are ready.
    public boolean isAutomatic() {
        return this != BATCH && this != BY_HAND;
    }

    /// What must have happened on the source before a document may cross.
    public Milestone milestone() {
        return switch (this) {
            case BATCH, BY_HAND, APPROVED -> Milestone.APPROVED;
            case FINISHED -> Milestone.FINISHED;
            case SENT -> Milestone.SENT;
            case PAID -> Milestone.PAID;
        };
    }
}
