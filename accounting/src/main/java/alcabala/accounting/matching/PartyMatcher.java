package alcabala.accounting.matching;

import alcabala.accounting.matching.Comparison.Found;
import alcabala.accounting.party.Party;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToIntFunction;
import java.util.stream.Stream;

/// Weighs which party of the ledger a party of the source may be, and says why (domain, section 4). Only
/// parties that share something that few have are compared, so that a hundred thousand others cost nothing.
public final class PartyMatcher {
    /// In bits: from here on somebody is asked, below it the party is new to the ledger.
    static final double WORTH_ASKING = 7.5;

    /// In bits: the same for those whose name is the same to the letter, though many have it.
    static final double WORTH_ASKING_OF_A_NAMESAKE = 3;

    /// In bits: less is never certain.
    static final double CERTAIN = 20;

    /// In bits: how far behind anybody else has to be.
    static final double AHEAD = 7;

    private static final int MOST = 5;

    private final List<KnownParties> known;
    private final int size;

    public PartyMatcher(Collection<Party> ledgerParties) {
        this(List.of(indexed(ledgerParties)));
    }

    private PartyMatcher(List<KnownParties> known) {
        this.known = known;
        size = known.stream().mapToInt(KnownParties::size).sum();
    }

    private static KnownParties indexed(Collection<Party> parties) {
        return new KnownParties(
                parties.stream().filter(Party::active).map(Profile::of).toList());
    }

    /// This one and a few more parties, without indexing those it has again.
    public PartyMatcher and(Collection<Party> more) {
        if (more.isEmpty()) {
            return this;
        }
        List<KnownParties> all = new ArrayList<>(known);
        all.add(indexed(more));
        return new PartyMatcher(all);
    }

    /// Those worth asking about, the best first; empty when the party is new to the ledger.
    public List<Candidate> rank(Party party) {
        return all(party).limit(MOST).toList();
    }

    /// As [#rank], for many at once: two that look different and are both certain of the same one are both
    /// doubtful.
    public Map<Party, List<Candidate>> rankAll(Collection<Party> parties) {
        List<Map.Entry<Party, List<Candidate>>> ranked = parties.parallelStream()
                .map(party -> Map.entry(party, rank(party)))
                .toList();
        return Claims.settle(ranked);
    }

    /// As [#rank], however many they are.
    public Stream<Candidate> all(Party party) {
        Profile asked = Profile.of(party);
        Comparison comparison = new Comparison(asked, size, counting());
        List<Found> found = new ArrayList<>();
        known.forEach(each -> each.find(asked, other -> found.add(comparison.with(other))));
        List<Found> ranked = found.stream()
                .filter(each -> each.bits() >= (each.sameName() ? WORTH_ASKING_OF_A_NAMESAKE : WORTH_ASKING))
                .sorted(Comparator.comparingDouble(Found::bits)
                        .reversed()
                        .thenComparing(each -> each.profile().party().code()))
                .toList();
        return ranked.stream()
                .map(each -> new Candidate(each.profile().party(), each.evidence(), isCertain(each, ranked)));
    }

    private static boolean isCertain(Found found, List<Found> ranked) {
        return found == ranked.getFirst()
                && found.complete()
                && found.bits() >= CERTAIN
                && (ranked.size() == 1 || found.bits() - ranked.get(1).bits() >= AHEAD);
    }

    /// Counts of keys over all that is known, each looked up once.
    private ToIntFunction<String> counting() {
        Map<String, Integer> counts = new HashMap<>();
        return key -> counts.computeIfAbsent(
                key, asked -> known.stream().mapToInt(each -> each.count(asked)).sum());
    }
}
