package alcabala.formats.grid;

import java.math.BigDecimal;
import java.util.List;

/// A sheet of somebody's file as it stands: nothing is known yet of what its rows and columns mean.
///
/// @param name of the sheet; empty for a text file
/// @param rows those with anything in them
public record Grid(String name, List<Row> rows) {
    /// @param line 1-based, as the file counts
    /// @param hidden whether somebody put it out of sight
    public record Row(int line, boolean hidden, List<Cell> cells) {
        /// What is not there is empty.
        public Cell cell(int column) {
            return column < cells.size() ? cells.get(column) : Cell.EMPTY;
        }
    }

    /// @param text as it was typed, or as a number would be
    /// @param number null where the file holds text
    /// @param hidden whether its column is out of sight
    /// @param covered whether it is a further part of cells that were merged, whose text stands in the first
    public record Cell(String text, BigDecimal number, boolean hidden, boolean covered) {
        static final Cell EMPTY = new Cell("", null, false, false);

        static Cell text(String text) {
            return text.isEmpty() ? EMPTY : new Cell(text, null, false, false);
        }

        public boolean isEmpty() {
            return text.isEmpty();
        }
    }

    /// Whether a column is out of sight.
    public boolean hides(int column) {
        return rows.stream().anyMatch(row -> row.cell(column).hidden());
    }

    public int columns() {
        return rows.stream().mapToInt(row -> row.cells().size()).max().orElse(0);
    }
}
