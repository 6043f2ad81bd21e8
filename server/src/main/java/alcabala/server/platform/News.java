package alcabala.server.platform;

import java.util.Set;

/// That something changed: what kind of thing, on which route, which of them, and through whom. Never what it says now.
///
/// @param route null where it concerns no single route
/// @param ids of what changed; empty when they are too many to name
/// @param who null where nobody in particular did it
public record News(Topic topic, Long route, Set<String> ids, String who) {
    /// More are told as "many".
    static final int NAMED = 100;

    public News {
        ids = ids == null ? Set.of() : ids;
    }

    News ofMany() {
        return new News(topic, route, Set.of(), who);
    }

    /// What may change.
    public enum Topic {
        /// By their numbers.
        RECORDS,
        /// Rows of the crosswalk, by kind and code as in `ITEM/ANODE-50`.
        CROSSWALK,
        /// By their numbers: dispatches of theirs came one step further, or they have ended.
        BATCHES,
        /// Work behind requests, by its number.
        WORK,
        /// Of reference data, by their numbers.
        PULLS,
        /// What is set, connected, and who may what.
        SETTINGS
    }
}
