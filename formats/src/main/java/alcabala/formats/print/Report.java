package alcabala.formats.print;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;

/// Something to be printed, whatever it is printed on.
///
/// @param about what it tells of, in one line; it stands at the foot of each page too
/// @param printed when and for whom, in one line
public record Report(String title, String about, List<Fact> facts, List<Table> tables, String printed) {
    /// @param name such as `Made by`
    public record Fact(String name, String value) {}

    /// @param total what the rows add up to; empty for a table that adds up to nothing
    public record Table(String title, List<Column> columns, List<List<Cell>> rows, List<Cell> total) {
        /// Every row has a cell for each column, and so has the total if there is one.
        public Table {
            boolean fit = rows.stream().allMatch(row -> row.size() == columns.size())
                    && (total.isEmpty() || total.size() == columns.size());
            if (!fit) {
                throw new IllegalArgumentException(
                        title + ": a row has another number of cells than there are columns");
            }
        }

        public boolean isEmpty() {
            return rows.isEmpty();
        }

        /// The same under another title.
        public Table titled(String other) {
            return new Table(other, columns, rows, total);
        }
    }

    /// @param weight its share of the width
    public record Column(String name, boolean figure, float weight) {
        public static Column text(String name, float weight) {
            return new Column(name, false, weight);
        }

        public static Column figure(String name, float weight) {
            return new Column(name, true, weight);
        }
    }

    /// What stands in one place of a table.
    public sealed interface Cell {
        record Text(String text) implements Cell {}

        /// A decimal number with the decimals of its currency.
        record Amount(BigDecimal amount) implements Cell {}

        record Count(long count) implements Cell {}

        record Day(LocalDate day) implements Cell {}

        Cell NOTHING = new Text("");

        static Cell of(String text) {
            return new Text(text);
        }

        static Cell of(BigDecimal amount) {
            return new Amount(amount);
        }

        static Cell of(long count) {
            return new Count(count);
        }

        static Cell of(LocalDate day) {
            return day == null ? NOTHING : new Day(day);
        }
    }
}
