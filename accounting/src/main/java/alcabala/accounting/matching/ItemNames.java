package alcabala.accounting.matching;

import alcabala.accounting.ledger.NameRules;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/// Names of items as a ledger with its rules keeps them, and which of them would be the same.
public final class ItemNames {
    private ItemNames() {}

    /// Items whose names would be the same on the ledger after it cuts them.
    public record Collision(String name, List<String> items) {
        private static final int NAMED = 5;

        /// The items in a row, the first five by their codes.
        public String inWords() {
            String first = String.join(" and ", items.subList(0, Math.min(NAMED, items.size())));
            return items.size() > NAMED ? first + " and " + (items.size() - NAMED) + " more" : first;
        }
    }

    /// Names are compared as the ledger keeps them, without regard to case.
    ///
    /// @param fresh names of items to be created, by code
    /// @param known names of items that the ledger has, by code
    public static List<Collision> collisions(Map<String, String> fresh, Map<String, String> known, NameRules rules) {
        Map<String, List<String>> byName = new LinkedHashMap<>();
        known.forEach((code, name) -> add(byName, small(name), code));
        List<String> names = new ArrayList<>();
        fresh.forEach((code, name) -> {
            String kept = small(rules.fit(name));
            add(byName, kept, code);
            names.add(kept);
        });
        return names.stream()
                .distinct()
                .filter(name -> byName.get(name).size() > 1)
                .map(name -> new Collision(name, byName.get(name)))
                .toList();
    }

    /// A name of its own for each item that collides: its name with its code behind it, or a number when that is
    /// somebody else's. The only one whose name is whole keeps it.
    ///
    /// @param fresh names of items to be created, by code
    /// @param known names of items that the ledger has, by code
    /// @return by code, in the order of the collisions
    public static Map<String, String> proposals(
            Collection<Collision> collisions, Map<String, String> fresh, Map<String, String> known, NameRules rules) {
        Set<String> taken = new HashSet<>();
        known.values().forEach(name -> taken.add(small(name)));
        fresh.values().forEach(name -> taken.add(small(rules.fit(name))));
        Map<String, String> proposals = new LinkedHashMap<>();
        for (Collision collision : collisions) {
            String keeps = whole(collision, fresh, rules);
            collision.items().stream()
                    .filter(code -> fresh.containsKey(code) && !code.equals(keeps))
                    .forEach(code -> proposals.put(code, free(fresh.get(code), code, taken, rules)));
        }
        return proposals;
    }

    /// The only one of a collision whose name is not cut, or empty; what is there is there whole.
    private static String whole(Collision collision, Map<String, String> fresh, NameRules rules) {
        List<String> whole = collision.items().stream()
                .filter(code -> !fresh.containsKey(code) || rules.takes(fresh.get(code)))
                .limit(2)
                .toList();
        return whole.size() == 1 ? whole.getFirst() : "";
    }

    private static String free(String name, String code, Set<String> taken, NameRules rules) {
        return Stream.concat(
                        Stream.of(rules.fit(name, code)),
                        Stream.iterate(2, number -> number + 1).map(number -> rules.fit(name, number.toString())))
                .filter(each -> taken.add(small(each)))
                .findFirst()
                .orElseThrow();
    }

    private static String small(String name) {
        return name.toLowerCase(Locale.ROOT);
    }

    private static void add(Map<String, List<String>> byName, String name, String code) {
        byName.computeIfAbsent(name, n -> new ArrayList<>()).add(code);
    }
}
