package alcabala.accounting.sync;

import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/// When one of a side was last changed, as far as that side tells.
///
/// @param whole whichever of its fields it was; null where it does not tell
/// @param fields of single ones, by code
public record LastChanges(LastChange whole, Map<String, LastChange> fields) {
    public static final LastChanges NONE = new LastChanges(null, Map.of());

    public LastChanges {
        fields = Map.copyOf(fields);
    }

    /// Who last had a hand in a field, to be shown: of one that is not told apart, in the whole. Not we.
    public Optional<LastChange> of(String field) {
        return Optional.ofNullable(fields.getOrDefault(field, whole)).filter(change -> !change.own());
    }

    /// When a person changed each of these (synchronisation, row 11): the field, or the whole if nothing else of it
    /// changed. What was our own write has no time, and none has what is still to come by our clock: that side's is
    /// wrong.
    ///
    /// @param changed all that differ from what was agreed on
    public Map<String, Instant> times(Collection<String> changed, Instant now) {
        Map<String, Instant> times = new HashMap<>();
        for (String field : changed) {
            LastChange alone = changed.size() == 1 ? whole : null;
            LastChange told = fields.getOrDefault(field, alone);
            if (told != null && !told.own() && !told.at().isAfter(now.plus(FieldMerge.APART))) {
                times.put(field, told.at());
            }
        }
        return times;
    }
}
