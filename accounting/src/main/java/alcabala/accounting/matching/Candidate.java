package alcabala.accounting.matching;

import alcabala.accounting.party.Party;
import java.util.List;

/// A party on the ledger that a party of the source may be.
///
/// @param score 0 to 100
/// @param reasons what agrees, the strongest first
public record Candidate(Party party, int score, List<Reason> reasons) {
    /// What two parties have in common.
    public enum Reason {
        TAX_IDENTIFIER,
        EMAIL,
        PHONE,
        NAME,
        SIMILAR_NAME,
        ADDRESS
    }

    /// Strong enough to be proposed without being asked about; still never linked silently.
    public boolean isExact() {
        return reasons.contains(Reason.TAX_IDENTIFIER) || (reasons.contains(Reason.NAME) && reasons.size() > 1);
    }
}
