package alcabala.accounting.cutover;

import alcabala.accounting.batch.DocumentNumbers;
import alcabala.accounting.record.RecordKind;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.Money;

/// What both sides had open at the end of a day, document by document: paired where one is the other, or may be. Each
/// is in one pair at most; a pair that is not certain is for a person to decide (synchronisation, "new on one side").
///
/// @param pairs in the order in which the source's were given
public record CutOver(List<Pair> pairs, List<OpenHere> onlyHere, List<OpenThere> onlyThere) {
    /// Of more that share a key nobody could tell which is which.
    static final int MOST_ALIKE = 30;

    private record Numbered(RecordKind kind, String number) {}

    /// What a document without its number is known by.
    private record Alike(RecordKind kind, String party, Money gross) {}

    public static CutOver of(List<OpenHere> here, List<OpenThere> there) {
        Pairing pairing = new Pairing(here, there);
        pairing.linked();
        // Where two have one number, that of the same amount or the same party is meant.
        pairing.byKey(
                one -> new Numbered(one.kind(), DocumentNumbers.withoutSigns(one.number())),
                one -> new Numbered(one.kind(), DocumentNumbers.withoutSigns(one.number())));
        pairing.byKey(
                one -> one.party().isEmpty() ? null : new Alike(one.kind(), one.party(), one.gross()),
                one -> new Alike(one.kind(), one.party(), one.gross()));
        return pairing.done();
    }

    private static final class Pairing {
        private final List<OpenHere> here;
        private final List<OpenThere> there;
        private final List<Pair> pairs = new ArrayList<>();
        private final Set<Long> pairedHere = new HashSet<>();
        private final Set<String> pairedThere = new HashSet<>();

        Pairing(List<OpenHere> here, List<OpenThere> there) {
            this.here = here;
            this.there = there;
        }

        void linked() {
            Map<String, OpenThere> byId = there.stream().collect(Collectors.toMap(OpenThere::id, Function.identity()));
            here.stream()
                    .filter(each -> byId.containsKey(each.linked()))
                    .forEach(each -> pair(each, byId.get(each.linked())));
        }

        /// Of those that share a key, the one that differs in the least is taken first; what differs as little as
        /// another is taken by neither.
        <K> void byKey(Function<OpenHere, K> ofHere, Function<OpenThere, K> ofThere) {
            Map<K, List<OpenThere>> candidates = new HashMap<>();
            there.stream()
                    .filter(each -> !pairedThere.contains(each.id()))
                    .forEach(each -> candidates
                            .computeIfAbsent(ofThere.apply(each), key -> new ArrayList<>())
                            .add(each));
            Map<K, List<OpenHere>> asking = here.stream()
                    .filter(each -> each.linked().isEmpty() && !pairedHere.contains(each.id()))
                    .filter(each -> Objects.nonNull(ofHere.apply(each)))
                    .collect(Collectors.groupingBy(ofHere));
            asking.forEach((key, all) -> among(all, candidates.getOrDefault(key, List.of())));
        }

        private void among(Collection<OpenHere> asking, Collection<OpenThere> candidates) {
            if (Math.max(asking.size(), candidates.size()) > MOST_ALIKE) {
                return;
            }
            List<Pair> all = asking.stream()
                    .flatMap(one -> candidates.stream().map(other -> Pair.of(one, other)))
                    .toList();
            for (Optional<Pair> best = best(all); best.isPresent(); best = best(all)) {
                pair(best.get().here(), best.get().there());
            }
        }

        /// None where two are equally good for the same document.
        private Optional<Pair> best(List<Pair> all) {
            List<Pair> left = all.stream()
                    .filter(pair -> !pairedHere.contains(pair.here().id())
                            && !pairedThere.contains(pair.there().id()))
                    .toList();
            return left.stream()
                    .filter(pair -> left.stream().noneMatch(other -> other != pair && contends(other, pair)))
                    .findFirst();
        }

        private static boolean contends(Pair other, Pair pair) {
            boolean shares = other.here().id() == pair.here().id()
                    || other.there().id().equals(pair.there().id());
            return shares && other.differs().size() <= pair.differs().size();
        }

        private void pair(OpenHere one, OpenThere other) {
            pairs.add(Pair.of(one, other));
            pairedHere.add(one.id());
            pairedThere.add(other.id());
        }

        CutOver done() {
            Map<Long, Pair> paired =
                    pairs.stream().collect(Collectors.toMap(pair -> pair.here().id(), Function.identity()));
            return new CutOver(
                    here.stream()
                            .map(each -> paired.get(each.id()))
                            .filter(Objects::nonNull)
                            .toList(),
                    here.stream()
                            .filter(each -> !pairedHere.contains(each.id()))
                            .toList(),
                    there.stream()
                            .filter(each -> !pairedThere.contains(each.id()))
                            .toList());
        }
    }
}
