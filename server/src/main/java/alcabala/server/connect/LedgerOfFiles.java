package alcabala.server.connect;

import alcabala.connectors.ledger.Listing;
import alcabala.connectors.ledger.WritesLists;
import alcabala.connectors.spi.Connection;
import alcabala.formats.csv.CsvProblem;
import alcabala.server.connection.Ledgers;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.reference.ReferenceKind;
import alcabala.server.reference.ReferencePull;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;

/// Ledgers that take files: what they own is read from the lists that they write.
@Component
class LedgerOfFiles {
    private final Ledgers ledgers;
    private final ReferencePull pull;

    record ListFile(String name, byte[] content) {}

    /// @param where the file, with line and column as far as they are known
    record ListProblem(String where, String sentence) {}

    /// Either a pull, or problems and nothing kept.
    record ListsOutcome(Long pull, int changes, List<ListProblem> problems) {}

    LedgerOfFiles(Ledgers ledgers, ReferencePull pull) {
        this.ledgers = ledgers;
        this.pull = pull;
    }

    /// All of the files or none.
    ListsOutcome take(long ledgerId, List<ListFile> files, String who) {
        Connection ledger = ledgers.of(ledgerId);
        WritesLists reader = ledger.find(WritesLists.class).orElseThrow(LedgerOfFiles::answers);
        List<Listing> lists = new ArrayList<>();
        List<ListProblem> problems = new ArrayList<>();
        Set<ReferenceKind> kinds = new HashSet<>();
        for (ListFile file : files) {
            Listing list = reader.read(file.content());
            if (list instanceof Listing.Unusable unusable) {
                unusable.problems().forEach(problem -> problems.add(problem(ledger.system(), file, problem)));
            } else if (!kinds.add(ReferenceKind.of(list))) {
                problems.add(new ListProblem(
                        file.name(),
                        "Another of these files holds the same list; only one of them can be right. Choose it."));
            } else {
                lists.add(list);
            }
        }
        if (!problems.isEmpty() || lists.isEmpty()) {
            return new ListsOutcome(null, 0, problems);
        }
        ReferencePull.ListsTaken taken = pull.take(ledgerId, lists, who);
        return new ListsOutcome(taken.pull(), taken.changes(), List.of());
    }

    private static NotPossibleException answers() {
        return NotPossibleException.invalid(
                "ledger-answers", "This ledger is asked directly; it needs no lists from files.");
    }

    private static ListProblem problem(String system, ListFile file, CsvProblem problem) {
        String where = problem.line() == 0
                ? file.name()
                : problem.place().isEmpty()
                        ? file.name() + ", line " + problem.line()
                        : file.name() + ", line " + problem.line() + ", " + problem.place();
        return new ListProblem(where, sentence(system, problem));
    }

    private static String sentence(String system, CsvProblem problem) {
        return switch (problem.code()) {
            case EMPTY -> "The file is empty. Write it anew in " + system + ".";
            case ENCODING ->
                "The file is not UTF-8; it looks like %s. In %s choose UTF-8 and write it anew."
                        .formatted(problem.found(), system);
            case SEPARATOR ->
                "Its first line is one column only: “%s”. Columns are told apart by semicolons, commas or tabs; write it anew with one of those."
                        .formatted(problem.found());
            case COLUMNS ->
                "These columns are of no list that %s writes: %s. Accounts, tax codes, parties and terms are taken."
                        .formatted(system, problem.found());
            case QUOTES -> "A quotation mark is not closed here. Write the file anew, and do not edit it in between.";
            case CELLS ->
                "This line has %s cells. Perhaps it was cut off, or edited with another program; write the file anew."
                        .formatted(problem.found());
            case SHEET -> "This is a workbook; lists of %s are text. Write it anew as CSV.".formatted(system);
            case VALUE ->
                problem.found().isEmpty()
                        ? "Nothing stands here, and it cannot be left out."
                        : "“%s” cannot stand here.".formatted(problem.found());
            case TOO_LARGE -> "The file has %s bytes; at most 20 MB are taken.".formatted(problem.found());
        };
    }
}
