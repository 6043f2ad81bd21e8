package alcabala.server.send;

import alcabala.server.send.Preview.Prepared;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/// What another of a batch needs goes before it; else they stay in their order.
final class NeededFirst {
    private final Map<String, Prepared> byNumber = new HashMap<>();
    private final Set<Prepared> ordered = new LinkedHashSet<>();
    private final Set<Prepared> onTheWay = new LinkedHashSet<>();

    private NeededFirst(List<Prepared> documents) {
        documents.forEach(each -> byNumber.putIfAbsent(each.number(), each));
    }

    static List<Prepared> order(List<Prepared> documents) {
        NeededFirst order = new NeededFirst(documents);
        documents.forEach(order::place);
        return new ArrayList<>(order.ordered);
    }

    /// Two that need each other stay as they are.
    private void place(Prepared one) {
        if (ordered.contains(one) || !onTheWay.add(one)) {
            return;
        }
        Prepared needed = byNumber.get(one.posting().needs());
        if (needed != null) {
            place(needed);
        }
        ordered.add(one);
    }
}
