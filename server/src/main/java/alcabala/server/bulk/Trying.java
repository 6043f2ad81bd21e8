package alcabala.server.bulk;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.formats.csv.CsvTable;
import alcabala.server.bulk.BulkStore.Changing;
import alcabala.server.route.RouteRow;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/// Compares what a file says of the codes of one kind with what stands, row by row, and says what is wrong.
final class Trying {
    private final RouteRow route;
    private final CheckedMeanings checks;
    private final Map<String, CrosswalkRow> rows;
    private final Map<String, String> names;
    private final List<Changing> changes = new ArrayList<>();
    private final List<Wrong> wrong = new ArrayList<>();
    private final Set<String> seen = new HashSet<>();
    private int unchanged;

    /// @param line in the file; 0 for a choice of codes
    record Wrong(int line, String code, String sentence) {}

    /// @param rows as they stand, by code
    /// @param names of all codes that there are
    Trying(RouteRow route, CheckedMeanings checks, Map<String, CrosswalkRow> rows, Map<String, String> names) {
        this.route = route;
        this.checks = checks;
        this.rows = rows;
        this.names = names;
    }

    void table(CsvTable table, Columns columns) {
        for (CsvTable.Row row : table.rows()) {
            Map<String, String> cells = new LinkedHashMap<>();
            for (int i = 0; i < table.columns().size(); i++) {
                cells.put(table.columns().get(i), row.cells().get(i));
            }
            String code = cells.get(Columns.CODE);
            CrosswalkRow now = rows.get(code);
            Meaning says = columns.meaning(cells, now == null ? Meaning.NONE : now.meaning());
            String seenIn = cells.getOrDefault(Columns.VERSION, "");
            int version = now == null ? 0 : now.version();
            if (!seenIn.isEmpty() && !seenIn.equals(String.valueOf(version)) && !says.equals(meaning(now))) {
                wrong.add(new Wrong(
                        row.line(),
                        code,
                        "Somebody changed it after the file was written: the file has version %s, it is %d by now."
                                .formatted(seenIn, version)));
            } else {
                add(row.line(), code, says);
            }
        }
    }

    private static Meaning meaning(CrosswalkRow row) {
        return row == null ? Meaning.NONE : row.meaning();
    }

    /// @param says NONE where the row is to be taken away
    void add(int line, String code, Meaning says) {
        CrosswalkRow now = rows.get(code);
        if (!names.containsKey(code)) {
            wrong.add(new Wrong(line, code, "%s has told of no such code.".formatted(route.source())));
        } else if (!seen.add(code)) {
            wrong.add(new Wrong(line, code, "It stands in the file twice."));
        } else if (says.equals(meaning(now))) {
            unchanged++;
        } else if (says.equals(Meaning.NONE)) {
            changes.add(new Changing(code, line, now.version(), now.meaning(), null));
        } else {
            addChecked(line, code, says, now);
        }
    }

    private void addChecked(int line, String code, Meaning says, CrosswalkRow now) {
        CheckedMeanings.Checked result = checks.of(code, says);
        if (result.isWrong()) {
            wrong.add(new Wrong(line, code, result.problem()));
        } else if (result.meaning().equals(meaning(now))) {
            unchanged++;
        } else {
            int version = now == null ? 0 : now.version();
            changes.add(new Changing(code, line, version, now == null ? null : now.meaning(), result.meaning()));
        }
    }

    /// In the order of the file, or of the codes.
    List<Changing> changes() {
        return changes.stream()
                .sorted(Comparator.comparingInt(Changing::line).thenComparing(Changing::code))
                .toList();
    }

    List<Wrong> wrong() {
        return wrong;
    }

    int unchanged() {
        return unchanged;
    }
}
