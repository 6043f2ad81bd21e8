package alcabala.accounting.sync;

import java.time.Instant;
import java.util.Optional;

/// One field of a pair as it is found.
///
/// @param changed whether a side's value differs from its own half of the baseline
/// @param equal whether the two values are the same, after the crosswalk and normalisation
/// @param writable whether a side takes another value
/// @param changedAt when a person changed this field there, or the record if nothing else in it changed; empty where
/// the
///     side does not tell, or where the change was our own
public record FieldState(
        Both<Boolean> changed, boolean equal, Both<Boolean> writable, Both<Optional<Instant>> changedAt) {
    boolean isOnly(Side side) {
        return changed.of(side) && !changed.of(side.other());
    }

    boolean isNeither() {
        return !changed.source() && !changed.ledger();
    }
}
