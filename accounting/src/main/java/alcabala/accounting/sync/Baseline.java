package alcabala.accounting.sync;

import alcabala.accounting.field.Half;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;

/// What both sides had when they last agreed, each in its own codes as it answered it.
///
/// @param unsettled fields on which the two have never agreed: all of them when they have just been linked
public record Baseline(Both<Half> halves, Set<String> unsettled) {
    private static final Half NOTHING = Half.builder().build();

    public Baseline {
        unsettled = Set.copyOf(unsettled);
    }

    /// Of two that have just been linked.
    public static Baseline none(Both<Half> now) {
        Set<String> names = new TreeSet<>(now.source().values().keySet());
        names.addAll(now.ledger().values().keySet());
        return new Baseline(new Both<>(NOTHING, NOTHING), names);
    }

    public Both<String> of(String field) {
        return halves.map(half -> half.values().get(field));
    }

    /// Fields in which a side has another value than when both last agreed; those on which they never did among them.
    public Both<Set<String>> changed(Both<Half> now) {
        return now.with(halves, this::changed);
    }

    private Set<String> changed(Half now, Half agreed) {
        Set<String> names = new TreeSet<>(now.values().keySet());
        names.addAll(agreed.values().keySet());
        names.removeIf(name -> isSettled(name)
                && Objects.equals(now.values().get(name), agreed.values().get(name)));
        return names;
    }

    public boolean isSettled(String field) {
        return !unsettled.contains(field);
    }

    /// The same, once both agree on a field: after a write, the half of the side that was written is what it answered,
    /// and that of the other what was sent (no echo).
    ///
    /// @param values null where a side has none
    public Baseline with(String field, Both<String> values) {
        Set<String> left = new HashSet<>(unsettled);
        left.remove(field);
        return new Baseline(halves.with(values, (half, value) -> changed(half, field, value)), left);
    }

    private static Half changed(Half half, String field, String value) {
        Map<String, String> values = new HashMap<>(half.values());
        if (value == null) {
            values.remove(field);
        } else {
            values.put(field, value);
        }
        return new Half(values);
    }
}
