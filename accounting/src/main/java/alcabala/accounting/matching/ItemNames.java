package alcabala.accounting.matching;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/// Names as a ledger with a length limit keeps them, and which of them would be the same.
public final class ItemNames {
    private ItemNames() {}

    /// Items whose names would be the same on the ledger after it cuts them.
    public record Collision(String name, List<String> items) {}

    public static String cut(String name, int limit) {
        String plain = name.strip();
        return plain.length() <= limit ? plain : plain.substring(0, limit).strip();
    }

    /// Names are compared as the ledger keeps them: cut to its limit, without regard to case.
    ///
    /// @param fresh names of items to be created, by code
    /// @param known names of items that the ledger has, by code
    public static List<Collision> collisions(Map<String, String> fresh, Map<String, String> known, int limit) {
        Map<String, List<String>> byName = new LinkedHashMap<>();
        known.forEach((code, name) -> add(byName, name.toLowerCase(Locale.ROOT), code));
        List<String> names = new ArrayList<>();
        fresh.forEach((code, name) -> {
            String kept = cut(name, limit).toLowerCase(Locale.ROOT);
            add(byName, kept, code);
            names.add(kept);
        });
        return names.stream()
                .distinct()
                .filter(name -> byName.get(name).size() > 1)
                .map(name -> new Collision(name, byName.get(name)))
                .toList();
    }

    private static void add(Map<String, List<String>> byName, String name, String code) {
        byName.computeIfAbsent(name, n -> new ArrayList<>()).add(code);
    }
}
