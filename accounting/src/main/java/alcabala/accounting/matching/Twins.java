package alcabala.accounting.matching;

import alcabala.accounting.party.Party;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;

/// Two parties of one side that may be one and the same.
///
/// @param one the one whose code comes first
/// @param other the other, with what speaks for it and against it
public record Twins(Party one, Candidate other) {
    /// Each pair once, the likeliest first. Those that are not active are left out.
    public static List<Twins> among(Collection<Party> parties) {
        PartyMatcher matcher = new PartyMatcher(parties);
        return parties.parallelStream()
                .filter(Party::active)
                .flatMap(one -> matcher.all(one)
                        .filter(other -> one.code().compareTo(other.party().code()) < 0)
                        .map(other -> new Twins(one, other)))
                .sorted(Comparator.comparingDouble((Twins each) -> each.other().bits())
                        .reversed()
                        .thenComparing(each -> each.one().code()))
                .toList();
    }
}
