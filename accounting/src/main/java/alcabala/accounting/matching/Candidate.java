package alcabala.accounting.matching;

import alcabala.accounting.matching.evidence.Evidence;
import alcabala.accounting.matching.evidence.Evidence.Topic;
import alcabala.accounting.party.Party;
import java.util.Comparator;
import java.util.List;

/// A party on the ledger that a party of the source may be.
///
/// @param evidence what speaks for it and against it, by topic, silence included
/// @param certain whether nothing is left to ask: every word of the name is explained, one other thing identifies it,
/// nothing contradicts, and nobody else comes near. It may be proposed together with others; it is still never linked
/// silently.
public record Candidate(Party party, List<Evidence> evidence, boolean certain) {
    private static final double WHOLE = 40;
    private static final int MOST = 100;

    /// In bits, below 0 when more speaks against it.
    public double bits() {
        return evidence.stream().mapToDouble(Evidence::bits).sum();
    }

    /// 0 to 100.
    public int score() {
        return Math.clamp(Math.round(bits() / WHOLE * MOST), 0, MOST);
    }

    /// What agrees, the strongest first.
    public List<Evidence> reasons() {
        return evidence.stream()
                .filter(each -> each.bits() > 0)
                .sorted(Comparator.comparingDouble(Evidence::bits).reversed())
                .toList();
    }

    public Evidence on(Topic topic) {
        return evidence.get(topic.ordinal());
    }

    Candidate doubtful() {
        return certain ? new Candidate(party, evidence, false) : this;
    }
}
