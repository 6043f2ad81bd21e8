package alcabala.accounting.sync;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/// Values that must be unique on a side and would be changed for each other's: no half of that is written, since either
/// half alone would be refused, or take the other's place.
public final class Swaps {
    /// @param has what the record is called there now
    /// @param becomes what it would be called
    public record Renaming(String record, String has, String becomes) {}

    private Swaps() {}

    /// Rings of records of which each would get the value that the next one has; those of one record are none.
    ///
    /// @param renamings of one field on one side, each record once
    public static List<List<Renaming>> of(List<Renaming> renamings) {
        Map<String, Renaming> byValue = new HashMap<>();
        renamings.forEach(each -> byValue.put(each.has(), each));
        Set<Renaming> seen = new HashSet<>();
        List<List<Renaming>> rings = new ArrayList<>();
        for (Renaming first : renamings) {
            List<Renaming> path = new ArrayList<>();
            Renaming at = first;
            while (at != null && !seen.contains(at)) {
                seen.add(at);
                path.add(at);
                at = byValue.get(at.becomes());
            }
            int start = at == null ? -1 : path.indexOf(at);
            if (start >= 0 && path.size() - start > 1) {
                rings.add(List.copyOf(path.subList(start, path.size())));
            }
        }
        return List.copyOf(rings);
    }
}
