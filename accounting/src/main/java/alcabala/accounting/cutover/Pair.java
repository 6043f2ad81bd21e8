package alcabala.accounting.cutover;

import alcabala.accounting.batch.DocumentNumbers;
import java.util.EnumSet;
import java.util.Set;

/// Two that are, or may be, the same document.
///
/// @param differs in what they are not the same
public record Pair(OpenHere here, OpenThere there, Set<Differs> differs) {
    public enum Differs {
        NUMBER,
        PARTY,
        GROSS,
        DATE,
        /// What was open: one side has a payment that the other has not, or both have different ones.
        OPEN
    }

    static Pair of(OpenHere here, OpenThere there) {
        EnumSet<Differs> differs = EnumSet.noneOf(Differs.class);
        if (!DocumentNumbers.withoutSigns(here.number()).equals(DocumentNumbers.withoutSigns(there.number()))) {
            differs.add(Differs.NUMBER);
        }
        if (!here.party().isEmpty() && !here.party().equals(there.party())) {
            differs.add(Differs.PARTY);
        }
        if (!here.gross().equals(there.gross())) {
            differs.add(Differs.GROSS);
        }
        if (!here.date().equals(there.date())) {
            differs.add(Differs.DATE);
        }
        if (!here.open().equals(there.open())) {
            differs.add(Differs.OPEN);
        }
        return new Pair(here, there, differs);
    }

    public boolean isLinked() {
        return here.linked().equals(there.id());
    }

    /// The same number of the same party for the same amount: the day may be another, and what has been paid since too.
    public boolean isCertain() {
        return differs.stream().allMatch(each -> each == Differs.DATE || each == Differs.OPEN);
    }
}
