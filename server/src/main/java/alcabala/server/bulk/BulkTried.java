package alcabala.server.bulk;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.server.bulk.BulkStore.Changing;
import alcabala.server.map.Said;
import java.util.List;
import java.util.function.Function;
import java.util.function.Predicate;

/// What would change. Rows and problems are the first 2,000 of each; all are counted.
///
/// @param id by which it is done; null where nothing would change
/// @param notTaken columns of the file that say nothing of a crosswalk
record BulkTried(
        Long id,
        int changed,
        int added,
        int takenAway,
        int unchanged,
        int wrong,
        List<BulkRow> rows,
        List<BulkProblem> problems,
        List<String> notTaken) {
    static final int LISTED = 2_000;

    /// @param before empty for no row, as is after
    record BulkRow(int line, String code, List<Said> before, List<Said> after) {}

    record BulkProblem(int line, String code, String sentence) {}

    /// Those of the changes that are listed.
    static List<Changing> listed(Bulks.Tried tried) {
        return tried.changes().stream().limit(LISTED).toList();
    }

    /// @param words what a meaning of one of those that are listed says; nothing for null
    static BulkTried of(Bulks.Tried tried, Function<Meaning, List<Said>> words) {
        int added = count(tried, Changing::isNew);
        int takenAway = count(tried, Changing::isTakenAway);
        return new BulkTried(
                tried.bulk(),
                tried.changes().size() - added - takenAway,
                added,
                takenAway,
                tried.unchanged(),
                tried.wrong().size(),
                listed(tried).stream()
                        .map(each -> new BulkRow(
                                each.line(), each.code(), words.apply(each.before()), words.apply(each.after())))
                        .toList(),
                tried.wrong().stream()
                        .limit(LISTED)
                        .map(each -> new BulkProblem(each.line(), each.code(), each.sentence()))
                        .toList(),
                tried.notTaken());
    }

    private static int count(Bulks.Tried tried, Predicate<Changing> which) {
        return (int) tried.changes().stream().filter(which).count();
    }
}
