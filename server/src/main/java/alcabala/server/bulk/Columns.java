package alcabala.server.bulk;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.platform.Sentences;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

/// The columns of a crosswalk as a file: the code, what can be said of it, and the version that it was seen in.
///
/// @param dimensions the ledger's, by their codes
record Columns(RowKind kind, Map<String, String> dimensions) {
    static final String CODE = "Code";
    static final String NAME = "Name";
    static final String VERSION = "Version";
    /// A counterpart that is to be made on first use, which is not the same as none.
    private static final String MADE = "(new)";

    List<String> heads() {
        List<String> heads = new ArrayList<>(List.of(CODE, NAME));
        purposes().map(Sentences::purpose).forEach(heads::add);
        heads.addAll(dimensionHeads());
        heads.add(VERSION);
        return heads;
    }

    private Stream<Purpose> purposes() {
        return kind.purposes().stream().filter(purpose -> purpose != Purpose.DIMENSION);
    }

    private List<String> dimensionHeads() {
        return kind.purposes().contains(Purpose.DIMENSION)
                ? dimensions.keySet().stream().map(Columns::dimensionHead).toList()
                : List.of();
    }

    private static String dimensionHead(String dimension) {
        return "In " + dimension;
    }

    /// @param meaning NONE for a code without a row
    /// @param version 0 for none
    List<String> cells(String code, String name, Meaning meaning, int version) {
        List<String> cells = new ArrayList<>(List.of(code, name));
        purposes().forEach(purpose -> cells.add(cell(purpose, meaning.targets().get(purpose))));
        if (kind.purposes().contains(Purpose.DIMENSION)) {
            dimensions
                    .keySet()
                    .forEach(dimension -> cells.add(meaning.dimensions().getOrDefault(dimension, "")));
        }
        cells.add(String.valueOf(version));
        return cells;
    }

    private static String cell(Purpose purpose, String target) {
        return target == null ? "" : purpose == Purpose.COUNTERPART && target.isEmpty() ? MADE : target;
    }

    /// What a row of a file says.
    ///
    /// @param cells by heads
    /// @param unsaid what the row says already of that for which the file has no column
    Meaning meaning(Map<String, String> cells, Meaning unsaid) {
        Map<Purpose, String> targets = new EnumMap<>(Purpose.class);
        purposes().forEach(purpose -> {
            String head = Sentences.purpose(purpose);
            String said = cells.containsKey(head)
                    ? read(cells.get(head))
                    : unsaid.targets().get(purpose);
            if (said != null) {
                targets.put(purpose, said);
            }
        });
        Map<String, String> values = new TreeMap<>(unsaid.dimensions());
        dimensions.keySet().forEach(dimension -> {
            String said = cells.get(dimensionHead(dimension));
            if (said != null && said.isEmpty()) {
                values.remove(dimension);
            } else if (said != null) {
                values.put(dimension, said);
            }
        });
        return new Meaning(targets, values);
    }

    private static String read(String cell) {
        return cell.isEmpty() ? null : cell.equalsIgnoreCase(MADE) ? "" : cell;
    }

    /// Whether a file has any column that says something of a code.
    boolean sayAnything(List<String> heads) {
        return heads.contains(CODE)
                && heads.stream()
                        .anyMatch(head -> heads().contains(head)
                                && !List.of(CODE, NAME, VERSION).contains(head));
    }
}
