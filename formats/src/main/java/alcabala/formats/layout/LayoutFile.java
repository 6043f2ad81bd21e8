package alcabala.formats.layout;

import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/// One file of a layout.
///
/// @param name without its ending
/// @param columns none where it is no table
/// @param per what a row stands for
/// @param splits the columns of the rows that follow a record's own, one for each of its lines; none where the lines
/// have no rows of their own beside the record's
public record LayoutFile(
        String name, LayoutField.Scope per, boolean headed, List<LayoutColumn> columns, List<LayoutColumn> splits) {
    /// More than anybody's importer wants.
    public static final int MOST_COLUMNS = 100;

    public LayoutFile {
        columns = List.copyOf(columns);
        splits = splits == null ? List.of() : List.copyOf(splits);
        if (Math.max(columns.size(), splits.size()) > MOST_COLUMNS) {
            throw new IllegalArgumentException("a file has at most " + MOST_COLUMNS + " columns");
        }
        if (per == LayoutField.Scope.FILE) {
            throw new IllegalArgumentException("a row stands for a record, a line or a booking");
        }
        if (!splits.isEmpty() && per != LayoutField.Scope.RECORD) {
            throw new IllegalArgumentException("only a record's own row is followed by those of its lines");
        }
        if (!splits.isEmpty() && marks(columns, splits).isEmpty()) {
            throw new IllegalArgumentException(
                    "rows of lines are told from those of records by a fixed text in the same column");
        }
        columns.forEach(column -> requireWithin(column, per));
        splits.forEach(column -> requireWithin(column, LayoutField.Scope.LINE));
    }

    /// The columns in which the rows of lines have another fixed text than those of records.
    List<Integer> marks() {
        return marks(columns, splits);
    }

    private static List<Integer> marks(List<LayoutColumn> columns, List<LayoutColumn> splits) {
        return IntStream.range(0, Math.min(columns.size(), splits.size()))
                .filter(i -> columns.get(i).field() == LayoutField.FIXED
                        && splits.get(i).field() == LayoutField.FIXED
                        && !columns.get(i).argument().equals(splits.get(i).argument()))
                .boxed()
                .toList();
    }

    private static void requireWithin(LayoutColumn column, LayoutField.Scope per) {
        LayoutField.Scope scope = column.field().scope();
        if (scope.compareTo(LayoutField.Scope.RECORD) > 0 && scope != per) {
            throw new IllegalArgumentException(
                    column.field() + " is said of a " + scope + ", and a row here stands for a " + per);
        }
    }

    Stream<LayoutColumn> all() {
        return Stream.concat(columns.stream(), splits.stream());
    }
}
