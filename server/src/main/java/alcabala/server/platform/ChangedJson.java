package alcabala.server.platform;

import alcabala.accounting.sync.LastChange;
import java.time.Instant;

/// When something was last changed on a side.
///
/// @param by whom that side names; empty where it names nobody
public record ChangedJson(Instant at, String by) {
    public static ChangedJson of(LastChange change) {
        return new ChangedJson(change.at(), change.by());
    }
}
