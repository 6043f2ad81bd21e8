package alcabala.accounting.matching;

import alcabala.accounting.matching.name.NameComparison;
import alcabala.accounting.matching.name.NameComparison.Knowledge;
import alcabala.accounting.matching.name.ReadName;
import alcabala.accounting.party.Party;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/// Who is certain of whom, when all are looked at together. One party on the ledger may well be two of the
/// source, but then they look alike: otherwise one of the two is taken for somebody else.
final class Claims {
    private Claims() {}

    static Map<Party, List<Candidate>> settle(List<Map.Entry<Party, List<Candidate>>> ranked) {
        Map<String, ReadName> first = new HashMap<>();
        Set<String> disputed = new HashSet<>();
        for (Map.Entry<Party, List<Candidate>> each : ranked) {
            if (isCertain(each.getValue())) {
                String claimed = each.getValue().getFirst().party().code();
                ReadName name = ReadName.of(each.getKey().name());
                ReadName other = first.putIfAbsent(claimed, name);
                if (other != null && !alike(name, other)) {
                    disputed.add(claimed);
                }
            }
        }
        Map<Party, List<Candidate>> settled = new LinkedHashMap<>();
        ranked.forEach(each -> settled.put(each.getKey(), doubtful(each.getValue(), disputed)));
        return settled;
    }

    private static boolean isCertain(List<Candidate> candidates) {
        return !candidates.isEmpty() && candidates.getFirst().certain();
    }

    private static boolean alike(ReadName one, ReadName other) {
        return NameComparison.of(one, other, new Knowledge(word -> 1, word -> false, word -> false))
                .explained();
    }

    private static List<Candidate> doubtful(List<Candidate> candidates, Set<String> disputed) {
        return isCertain(candidates)
                        && disputed.contains(candidates.getFirst().party().code())
                ? candidates.stream().map(Candidate::doubtful).toList()
                : candidates;
    }
}
