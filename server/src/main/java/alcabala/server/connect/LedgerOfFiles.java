package alcabala.server.connect;

import alcabala.connectors.files.CopperplateLists;
import alcabala.connectors.files.CopperplateLists.Listing;
import alcabala.formats.csv.CsvProblem;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Settings;
import alcabala.server.trail.Trail;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Ledgers that take files: what they own is read from the lists that they write.
@Component
class LedgerOfFiles {
    private static final int NAME_LIMIT = 40;
    private final JdbcClient jdbc;
    private final ReferencePull pull;
    private final Settings settings;
    private final Trail trail;
    private final Clock clock;

    record ListFile(String name, byte[] content) {}

    /// @param where the file, with line and column as far as they are known
    record ListProblem(String where, String sentence) {}

    /// Either a pull, or problems and nothing kept.
    record ListsOutcome(Long pull, int changes, List<ListProblem> problems) {}

    LedgerOfFiles(JdbcClient jdbc, ReferencePull pull, Settings settings, Trail trail, Clock clock) {
        this.jdbc = jdbc;
        this.pull = pull;
        this.settings = settings;
        this.trail = trail;
        this.clock = clock;
    }

    /// Copperplate keeps one code for a document, and its tax by document. One that was here before is taken up again,
    /// with its lists and all that leads to it.
    @Transactional
    public long add(String name, String company, String currency, String who) {
        Optional<Long> known = jdbc.sql("""
                update ledger set connected = true where name = :name and company = :company and system = 'copperplate'
                    and currency = :currency and not connected returning id""")
                .param("name", name)
                .param("company", company)
                .param("currency", currency)
                .query(Long.class)
                .optional();
        if (known.isPresent()) {
            trail.write(null, null, who, "ledger-connected-again", Map.of("ledger", name, "company", company));
            return known.get();
        }
        try {
            long id = jdbc.sql("""
                    insert into ledger (name, system, company, company_name, desk, currency, tax_rounding, name_limit,
                        one_tax_code, connected_by, connected_at)
                    values (:name, 'copperplate', :company, :company, :desk, :currency, 'PER_DOCUMENT', :limit, true, :who, :now)
                    returning id""")
                    .param("name", name)
                    .param("company", company)
                    .param("desk", settings.standins() + "/copperplate")
                    .param("currency", currency)
                    .param("limit", NAME_LIMIT)
                    .param("who", who)
                    .param("now", Timestamp.from(clock.instant()))
                    .query(Long.class)
                    .single();
            trail.write(null, null, who, "ledger-connected", Map.of("ledger", name, "company", company));
            return id;
        } catch (DuplicateKeyException e) {
            throw NotPossibleException.conflict(
                    "already-connected",
                    "A ledger named " + name + ", or the books of " + company + ", are there already.");
        }
    }

    /// All of the files or none.
    ListsOutcome take(long ledgerId, List<ListFile> files, String who) {
        requireOfFiles(ledgerId);
        List<Listing> lists = new ArrayList<>();
        List<ListProblem> problems = new ArrayList<>();
        Set<ReferenceKind> kinds = new HashSet<>();
        for (ListFile file : files) {
            Listing list = CopperplateLists.read(file.content());
            if (list instanceof Listing.Unusable unusable) {
                unusable.problems().forEach(problem -> problems.add(problem(file, problem)));
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

    private void requireOfFiles(long ledgerId) {
        String system = jdbc.sql("select system from ledger where id = :id and connected")
                .param("id", ledgerId)
                .query(String.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("connected ledger " + ledgerId));
        if (!system.equals("copperplate")) {
            throw NotPossibleException.invalid(
                    "ledger-answers", "This ledger is asked directly; it needs no lists from files.");
        }
    }

    private static ListProblem problem(ListFile file, CsvProblem problem) {
        String where = problem.line() == 0
                ? file.name()
                : problem.place().isEmpty()
                        ? file.name() + ", line " + problem.line()
                        : file.name() + ", line " + problem.line() + ", " + problem.place();
        return new ListProblem(where, sentence(problem));
    }

    private static String sentence(CsvProblem problem) {
        return switch (problem.code()) {
            case EMPTY -> "The file is empty. Write it anew in Copperplate.";
            case ENCODING ->
                "The file is not UTF-8; it looks like %s. In Copperplate choose UTF-8 and write it anew."
                        .formatted(problem.found());
            case SEPARATOR ->
                "Its first line is one column only: “%s”. Columns are told apart by semicolons, commas or tabs; write it anew with one of those."
                        .formatted(problem.found());
            case COLUMNS ->
                "These columns are of no list that Copperplate writes: %s. Accounts, tax codes, parties and terms are taken."
                        .formatted(problem.found());
            case QUOTES -> "A quotation mark is not closed here. Write the file anew, and do not edit it in between.";
            case CELLS ->
                "This line has %s cells. Perhaps it was cut off, or edited with another program; write the file anew."
                        .formatted(problem.found());
            case VALUE ->
                problem.found().isEmpty()
                        ? "Nothing stands here, and it cannot be left out."
                        : "“%s” cannot stand here.".formatted(problem.found());
            case TOO_LARGE -> "The file has %s bytes; at most 20 MB are taken.".formatted(problem.found());
        };
    }
}
