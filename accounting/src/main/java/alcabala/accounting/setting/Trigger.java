package alcabala.accounting.setting;

import java.util.Locale;
import java.util.Set;

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

    private static final Set<Milestone> ASKED_FOR = Set.of(Milestone.APPROVED, Milestone.NUMBER_ASKED);

    static Trigger of(String word) {
        return valueOf(word.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    /// Whether documents go by themselves as soon as they are ready.
    public boolean isAutomatic() {
        return this != BATCH && this != BY_HAND;
    }

    /// Whether one to which this has happened on its source may cross.
    public boolean isReached(Set<Milestone> reached) {
        return reached.contains(milestone()) || reached.containsAll(ASKED_FOR);
    }

    /// Whether one goes by itself as soon as it is ready.
    public boolean isAutomatic(Set<Milestone> reached) {
        return isAutomatic() || reached.containsAll(ASKED_FOR);
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
