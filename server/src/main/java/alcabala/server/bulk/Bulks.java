package alcabala.server.bulk;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.formats.csv.CsvTable;
import alcabala.formats.sheet.SheetFile;
import alcabala.server.bulk.BulkStore.Bulk;
import alcabala.server.bulk.BulkStore.Changing;
import alcabala.server.bulk.BulkStore.Done;
import alcabala.server.bulk.BulkStore.State;
import alcabala.server.compile.Affected;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.compile.Released;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.map.RowChecks;
import alcabala.server.platform.FileSentences;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Sentences;
import alcabala.server.record.Refs;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.trail.Trail;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Many rows of one crosswalk at once: tried, then done as it was shown, all or nothing, and taken back as a
/// whole.
@Component
class Bulks {
    static final int MOST = 20_000;
    private final Routes routes;
    private final CrosswalkStore store;
    private final RowChecks checks;
    private final Affected affected;
    private final LedgerReference reference;
    private final CodeNames names;
    private final BulkStore bulks;
    private final Trail trail;

    /// @param bulk what can be done; null where nothing would change
    record Tried(Long bulk, List<Changing> changes, List<Trying.Wrong> wrong, int unchanged, List<String> notTaken) {}

    /// @param left codes whose rows somebody changed since, which are left as they are
    record TakenBack(Released released, int rows, List<String> left) {}

    Bulks(
            Routes routes,
            CrosswalkStore store,
            RowChecks checks,
            Affected affected,
            LedgerReference reference,
            CodeNames names,
            BulkStore bulks,
            Trail trail) {
        this.routes = routes;
        this.store = store;
        this.checks = checks;
        this.affected = affected;
        this.reference = reference;
        this.names = names;
        this.bulks = bulks;
        this.trail = trail;
    }

    Columns columns(RouteRow route, RowKind kind) {
        Map<String, String> dimensions = new TreeMap<>();
        reference.dimensions(route.ledgerId()).forEach((code, each) -> dimensions.put(code, each.name()));
        return new Columns(kind, dimensions);
    }

    /// A line for each code that there is.
    List<List<String>> lines(RouteRow route, RowKind kind, Columns columns) {
        Map<String, CrosswalkRow> rows = rows(route, kind);
        return names.of(route, kind).entrySet().stream()
                .map(each -> {
                    CrosswalkRow row = rows.get(each.getKey());
                    return columns.cells(
                            each.getKey(),
                            each.getValue(),
                            row == null ? Meaning.NONE : row.meaning(),
                            row == null ? 0 : row.version());
                })
                .toList();
    }

    private Map<String, CrosswalkRow> rows(RouteRow route, RowKind kind) {
        return store.rows(route.id(), List.of(kind)).stream()
                .collect(Collectors.toMap(CrosswalkRow::code, Function.identity()));
    }

    /// What a file would change. Kept for a day, so that what was looked at is what is done.
    ///
    /// @throws NotPossibleException where it is no table of this crosswalk
    @Transactional
    public Tried tryFile(RouteRow route, RowKind kind, String name, byte[] content, byte[] sha256, String who) {
        CsvTable table = switch (SheetFile.read(content)) {
            case CsvTable.Outcome.Read read -> read.table();
            case CsvTable.Outcome.Unreadable unreadable ->
                throw NotPossibleException.invalid("file-unreadable", FileSentences.of(unreadable.problem()));
        };
        Columns columns = columns(route, kind);
        if (!columns.sayAnything(table.columns())) {
            throw NotPossibleException.invalid(
                    "columns-unknown",
                    "Its first row is “%s”. A column %s is needed, and one at least of: %s."
                            .formatted(
                                    String.join(", ", table.columns()),
                                    Columns.CODE,
                                    String.join(", ", columns.heads())));
        }
        Trying trying = trying(route, kind);
        trying.table(table, columns);
        List<String> notTaken = table.columns().stream()
                .filter(head -> !columns.heads().contains(head))
                .toList();
        return keep(route, kind, name, sha256, trying, notTaken, who);
    }

    /// The same answer for many codes.
    ///
    /// @param meaning NONE to take their rows away
    @Transactional
    public Tried tryCodes(RouteRow route, RowKind kind, Set<String> codes, Meaning meaning, String who) {
        Trying trying = trying(route, kind);
        codes.forEach(code -> trying.add(0, code, meaning));
        return keep(route, kind, "", null, trying, List.of(), who);
    }

    /// Names of items on the ledger; all else that their rows say stays.
    ///
    /// @param named by their codes
    @Transactional
    public Tried tryNames(RouteRow route, Map<String, String> named, String who) {
        Trying trying = trying(route, RowKind.ITEM);
        Map<String, CrosswalkRow> now = rows(route, RowKind.ITEM);
        named.forEach((code, name) -> trying.add(
                0,
                code,
                Optional.ofNullable(now.get(code))
                        .map(CrosswalkRow::meaning)
                        .orElse(Meaning.NONE)
                        .with(Purpose.NAME, name)));
        return keep(route, RowKind.ITEM, "", null, trying, List.of(), who);
    }

    /// What another route says of the same codes; codes that it has no row for stay as they are.
    @Transactional
    public Tried tryRoute(RouteRow route, RowKind kind, RouteRow from, String who) {
        Trying trying = trying(route, kind);
        rows(from, kind).values().forEach(row -> trying.add(0, row.code(), row.meaning()));
        return keep(route, kind, "", null, trying, List.of(), who);
    }

    /// What the route itself said at a moment; what had no row then has none again.
    @Transactional
    public Tried tryThen(RouteRow route, RowKind kind, Instant moment, String who) {
        Trying trying = trying(route, kind);
        Map<String, CrosswalkRow> then = new HashMap<>();
        store.rowsAt(route.id(), moment).stream()
                .filter(row -> row.kind() == kind)
                .forEach(row -> then.put(row.code(), row));
        rows(route, kind).keySet().stream()
                .filter(code -> !then.containsKey(code))
                .forEach(code -> trying.add(0, code, Meaning.NONE));
        then.values().forEach(row -> trying.add(0, row.code(), row.meaning()));
        return keep(route, kind, "", null, trying, List.of(), who);
    }

    private Trying trying(RouteRow route, RowKind kind) {
        return new Trying(route, new CheckedMeanings(route, kind, checks), rows(route, kind), names.of(route, kind));
    }

    private Tried keep(
            RouteRow route,
            RowKind kind,
            String name,
            byte[] sha256,
            Trying trying,
            List<String> notTaken,
            String who) {
        List<Changing> changes = trying.changes();
        if (changes.size() > MOST) {
            throw NotPossibleException.invalid(
                    "too-many-rows",
                    "%,d rows would change; at most %,d are changed at once. Divide the file."
                            .formatted(changes.size(), MOST));
        }
        bulks.forgetTried();
        Long id = changes.isEmpty() ? null : (Long) bulks.add(route, kind, name, sha256, changes, who);
        return new Tried(id, changes, trying.wrong(), trying.unchanged(), notTaken);
    }

    /// Changes what was tried, all of it or nothing, and compiles once what it touches.
    @Transactional
    public Released carryOut(Bulk bulk, String who, Progress at) {
        RouteRow route = routes.get(bulk.routeId());
        routes.lock(route.id());
        bulks.settle(bulk, State.TRIED, State.DONE, who);
        List<Changing> changes =
                bulks.rows(bulk.id()).stream().map(Done::change).toList();
        Map<String, Integer> became = new HashMap<>();
        CheckedMeanings checked = new CheckedMeanings(route, bulk.kind(), checks);
        for (Changing each : changes) {
            requirePossible(checked, each);
            put(route, bulk.kind(), each.code(), each.after(), each.version(), who);
            if (each.after() != null) {
                became.put(each.code(), null);
            }
        }
        Map<String, CrosswalkRow> now = rows(route, bulk.kind());
        became.replaceAll((code, none) -> now.get(code).version());
        bulks.became(bulk.id(), became);
        String because = because(bulk, changes.size());
        trail.write(route.id(), null, who, "rows-changed-together", told(bulk, changes.size()));
        return compileAgain(route, bulk.kind(), codes(changes), who, because, at);
    }

    /// The ledger may be another one by now.
    private static void requirePossible(CheckedMeanings checked, Changing each) {
        if (!each.isTakenAway()) {
            String problem = checked.of(each.code(), each.after()).problem();
            if (!problem.isEmpty()) {
                throw NotPossibleException.conflict(
                        "changed-meanwhile", "%s: %s Look at the changes again.".formatted(each.code(), problem));
            }
        }
    }

    private void put(RouteRow route, RowKind kind, String code, Meaning meaning, int version, String who) {
        if (meaning == null) {
            store.remove(route.id(), kind, code, version, who);
        } else {
            store.set(route.id(), kind, code, meaning, version, who);
        }
    }

    private static Set<String> codes(List<Changing> changes) {
        return changes.stream().map(Changing::code).collect(Collectors.toSet());
    }

    private static Map<String, ?> told(Bulk bulk, int rows) {
        Map<String, Object> told = new LinkedHashMap<>();
        told.put("change", bulk.id());
        told.put("kind", Sentences.word(bulk.kind()));
        told.put("rows", rows);
        if (!bulk.fileName().isEmpty()) {
            told.put("file", bulk.fileName());
        }
        return told;
    }

    private static String because(Bulk bulk, int rows) {
        return "%d rows of %s changed together%s"
                .formatted(
                        rows, Sentences.word(bulk.kind()), bulk.fileName().isEmpty() ? "" : " from " + bulk.fileName());
    }

    private Released compileAgain(
            RouteRow route, RowKind kind, Set<String> codes, String who, String because, Progress at) {
        Set<String> refs = new HashSet<>();
        if (!kind.concernsAll()) {
            codes.forEach(code -> refs.add(Refs.of(kind, code)));
        }
        return affected.compileAgain(route.id(), refs, who, because, at);
    }

    /// Puts back what the rows said before, except where somebody has changed one since.
    @Transactional
    public TakenBack takeBack(Bulk bulk, String who, Progress at) {
        RouteRow route = routes.get(bulk.routeId());
        routes.lock(route.id());
        bulks.settle(bulk, State.DONE, State.UNDONE, who);
        Map<String, CrosswalkRow> now = rows(route, bulk.kind());
        List<Done> rows = bulks.rows(bulk.id());
        List<Done> untouched = rows.stream()
                .filter(each -> isUntouched(each, now.get(each.change().code())))
                .toList();
        for (Done each : untouched) {
            CrosswalkRow row = now.get(each.change().code());
            put(route, bulk.kind(), each.change().code(), each.change().before(), row == null ? 0 : row.version(), who);
        }
        List<Changing> changes = untouched.stream().map(Done::change).toList();
        List<String> left = rows.stream()
                .filter(each -> !untouched.contains(each))
                .map(each -> each.change().code())
                .toList();
        trail.write(route.id(), null, who, "rows-taken-back-together", told(bulk, changes.size()));
        Released released = changes.isEmpty()
                ? Released.NONE
                : compileAgain(
                        route,
                        bulk.kind(),
                        codes(changes),
                        who,
                        "%d rows of %s taken back together".formatted(changes.size(), Sentences.word(bulk.kind())),
                        at);
        return new TakenBack(released, changes.size(), left);
    }

    private static boolean isUntouched(Done done, CrosswalkRow now) {
        return done.became() == null ? now == null : now != null && now.version() == done.became();
    }
}
