package alcabala.server.cutover;

import alcabala.accounting.cutover.Pair.Differs;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;

/// Both sides on a day.
///
/// @param setAside how many of the ledger's documents could not be understood
/// @param odd which, and why: the first 20
/// @param counts of all rows, by where they stand
/// @param rows the first 2,000 of each
record CutOverJson(
        LocalDate day,
        Instant at,
        String by,
        int setAside,
        List<String> odd,
        String currency,
        List<BalanceSides> balances,
        CutOverCounts counts,
        List<CutOverRow> rows) {
    /// @param cutOver null when it was never asked for
    record LastCutOver(CutOverJson cutOver) {}

    /// One account.
    ///
    /// @param parts what makes up the difference, all of it; none of what is not compared by documents
    /// @param withoutRate documents of the source that are left out, since nothing says what they are worth
    record BalanceSides(
            String role,
            String account,
            String here,
            String there,
            String difference,
            List<DifferencePart> parts,
            int withoutRate) {}

    /// @param count of documents; 0 where it is no documents
    record DifferencePart(String what, int count, String amount) {}

    record CutOverCounts(int linked, int certain, int doubtful, int onlyHere, int onlyThere) {}

    enum CutOverStanding {
        DOUBTFUL,
        ONLY_HERE,
        ONLY_THERE,
        CERTAIN,
        LINKED
    }

    /// @param here null for what only the ledger has
    /// @param there null for what only the source has
    /// @param differs in what the two are not the same
    record CutOverRow(CutOverStanding standing, String kind, OpenSide here, OpenSide there, Set<Differs> differs) {}

    /// Amounts of what is given back are negative.
    ///
    /// @param record null on the ledger's side
    /// @param ref the ledger's id; empty on the source's side
    record OpenSide(
            Long record,
            String ref,
            String number,
            String party,
            LocalDate date,
            String currency,
            String gross,
            String open) {}
}
