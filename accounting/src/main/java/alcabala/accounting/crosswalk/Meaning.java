package alcabala.accounting.crosswalk;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.TreeMap;

/// What a code of the source means on the ledger.
///
/// @param targets the ledger's codes by purpose; an empty counterpart says that it is to be created on first use
/// @param dimensions the ledger's values by the ledger's dimensions
public record Meaning(Map<Purpose, String> targets, Map<String, String> dimensions) {
    /// For a code of which nothing is known yet.
    public static final Meaning NONE = new Meaning(Map.of(), Map.of());

    /// What is said with nothing is not said.
    public Meaning {
        targets = present(targets, new EnumMap<>(Purpose.class));
        dimensions = present(dimensions, new TreeMap<>());
    }

    private static <K> Map<K, String> present(Map<K, String> said, Map<K, String> kept) {
        if (said != null) {
            said.forEach((key, value) -> {
                if (value != null) {
                    kept.put(key, value);
                }
            });
        }
        return Collections.unmodifiableMap(kept);
    }

    /// With what stands for it there, and the account that most rows of its kind are made for.
    ///
    /// @param account empty for none
    public static Meaning of(RowKind kind, String counterpart, String account) {
        Map<Purpose, String> targets = new EnumMap<>(Purpose.class);
        if (kind.purposes().contains(Purpose.COUNTERPART)) {
            targets.put(Purpose.COUNTERPART, counterpart);
        }
        if (!account.isEmpty()) {
            targets.put(kind.accountPurpose(), account);
        }
        return new Meaning(targets, Map.of());
    }

    /// The same with another target for one purpose.
    public Meaning with(Purpose purpose, String target) {
        Map<Purpose, String> changed = new EnumMap<>(Purpose.class);
        changed.putAll(targets);
        changed.put(purpose, target);
        return new Meaning(changed, dimensions);
    }
}
