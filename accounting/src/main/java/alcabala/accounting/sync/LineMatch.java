package alcabala.accounting.sync;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/// Which lines of the two sides are the same: by what they were linked as, then by item and position (synchronisation,
/// "What is one field"). Each pair is one field, named by its own number, which stays while either side has it.
public final class LineMatch {
    /// @param id by which the side knows it; empty where it gives its lines none
    /// @param item as the source calls it, on both sides; empty where it names none
    public record Line(String id, String item, String value) {}

    /// @param link its number among all that were ever linked on this record
    /// @param was what either side had when both last agreed; empty where a side had none
    public record Linked(int link, Both<Optional<Line>> was) {}

    /// One field.
    ///
    /// @param was as in [Linked]; both empty for what is new
    public record Pair(int link, Both<Optional<Line>> was, Both<Optional<Line>> now) {}

    private LineMatch() {}

    /// @param linked as both last agreed
    /// @param now the lines of both sides, in their order
    public static List<Pair> match(List<Linked> linked, Both<List<Line>> now) {
        Both<List<Line>> left = now.map(ArrayList::new);
        Both<Map<Integer, Line>> kept =
                new Both<>(known(Side.SOURCE, linked, left.source()), known(Side.LEDGER, linked, left.ledger()));
        List<Pair> pairs = new ArrayList<>();
        int next = 1;
        for (Linked each : linked) {
            pairs.add(
                    new Pair(each.link(), each.was(), kept.map(found -> Optional.ofNullable(found.get(each.link())))));
            next = Math.max(next, each.link() + 1);
        }
        return added(pairs, left, next);
    }

    /// What each line that was linked is on this side now; those found are taken out of what is left.
    private static Map<Integer, Line> known(Side side, List<Linked> linked, List<Line> left) {
        Map<Integer, Line> found = new HashMap<>();
        for (Linked each : linked) {
            each.was()
                    .of(side)
                    .filter(was -> !was.id().isEmpty())
                    .ifPresent(was -> take(left, line -> line.id().equals(was.id()))
                            .ifPresent(line -> found.put(each.link(), line)));
        }
        for (Linked each : linked) {
            if (!found.containsKey(each.link())) {
                each.was()
                        .of(side)
                        .filter(was -> was.id().isEmpty())
                        .ifPresent(was -> take(
                                        left,
                                        line -> line.id().isEmpty()
                                                && line.item().equals(was.item()))
                                .ifPresent(line -> found.put(each.link(), line)));
            }
        }
        return found;
    }

    /// New on both sides are the same where they name the same item, in their order.
    private static List<Pair> added(List<Pair> pairs, Both<List<Line>> left, int first) {
        Both<Optional<Line>> none = new Both<>(Optional.empty(), Optional.empty());
        Map<String, List<Line>> there = new LinkedHashMap<>();
        left.ledger()
                .forEach(line -> there.computeIfAbsent(line.item(), item -> new ArrayList<>())
                        .add(line));
        int next = first;
        for (Line line : left.source()) {
            List<Line> alike = there.getOrDefault(line.item(), List.of());
            Optional<Line> other =
                    line.item().isEmpty() || alike.isEmpty() ? Optional.empty() : Optional.of(alike.removeFirst());
            pairs.add(new Pair(next++, none, new Both<>(Optional.of(line), other)));
        }
        for (Line line : left.ledger()) {
            if (there.get(line.item()).contains(line)) {
                there.get(line.item()).remove(line);
                pairs.add(new Pair(next++, none, new Both<>(Optional.empty(), Optional.of(line))));
            }
        }
        return List.copyOf(pairs);
    }

    private static Optional<Line> take(List<Line> left, Predicate<Line> which) {
        for (int i = 0; i < left.size(); i++) {
            if (which.test(left.get(i))) {
                return Optional.of(left.remove(i));
            }
        }
        return Optional.empty();
    }
}
