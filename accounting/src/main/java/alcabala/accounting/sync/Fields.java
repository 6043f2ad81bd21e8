package alcabala.accounting.sync;

import java.time.Instant;
import java.util.Optional;

/// What is known of the fields of a kind of record on a route: described once for each kind, and all that the merge
/// asks for.
public interface Fields {
    /// Whether two values, each in its side's codes, are the same. Either may be null: not being there is a value.
    boolean same(String field, String source, String ledger);

    /// A value of the one side as the other would say it.
    ///
    /// @return empty where it has no counterpart, so that it cannot travel
    Optional<String> translated(String field, String value, Side to);

    Rule rule(String field);

    /// Whether a field follows from the lines, and is never merged by itself.
    boolean isTotal(String field);

    /// Why a side takes no other value for a field; empty where it does.
    Optional<String> locked(String field, Side side);

    /// When a person changed a field there; empty where the side does not tell, or where the change was our own.
    Optional<Instant> changedAt(String field, Side side);
}
