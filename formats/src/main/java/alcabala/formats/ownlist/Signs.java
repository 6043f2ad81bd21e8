package alcabala.formats.ownlist;

import alcabala.formats.grid.Grid;
import alcabala.formats.grid.Grid.Cell;
import alcabala.formats.ownlist.OwnList.Said;
import java.math.BigDecimal;
import java.util.List;
import java.util.stream.Stream;

/// What stands before the decimals in the texts of a column. One column is written in one way: the one that reads more
/// of it, or else the one that agrees with more of the documents that are known.
///
/// @param ambiguous whether nothing tells which
record Signs(DecimalSign sign, boolean ambiguous) {
    static Signs of(Grid grid, Columns columns, Numbers known, Said said) {
        if (said.sign() != null) {
            return new Signs(said.sign(), false);
        }
        List<Grid.Row> rows = grid.rows().subList(columns.first(), grid.rows().size()).stream()
                .filter(row -> row.cell(columns.amounts()).number() == null
                        && !row.cell(columns.amounts()).isEmpty())
                .toList();
        long point = read(rows, columns, DecimalSign.POINT);
        long comma = read(rows, columns, DecimalSign.COMMA);
        if (point != comma) {
            return new Signs(point > comma ? DecimalSign.POINT : DecimalSign.COMMA, false);
        }
        boolean same = rows.stream().allMatch(row -> {
            String text = row.cell(columns.amounts()).text();
            return DecimalSign.POINT.read(text).equals(DecimalSign.COMMA.read(text));
        });
        if (same) {
            return new Signs(DecimalSign.POINT, false);
        }
        long agreePoint = agree(rows, columns, known, DecimalSign.POINT);
        long agreeComma = agree(rows, columns, known, DecimalSign.COMMA);
        return new Signs(agreeComma > agreePoint ? DecimalSign.COMMA : DecimalSign.POINT, agreePoint == agreeComma);
    }

    private static long read(List<Grid.Row> rows, Columns columns, DecimalSign sign) {
        return rows.stream()
                .filter(row -> sign.read(row.cell(columns.amounts()).text()).isPresent())
                .count();
    }

    private static long agree(List<Grid.Row> rows, Columns columns, Numbers known, DecimalSign sign) {
        return rows.stream()
                .filter(row -> known.agrees(
                        row.cell(columns.numbers()).text(),
                        sign.read(row.cell(columns.amounts()).text()).map(DecimalSign.Written::amount).stream()))
                .count();
    }

    /// All that a cell may come to.
    static Stream<BigDecimal> values(Cell cell) {
        if (cell.number() != null) {
            return Stream.of(cell.number());
        }
        return cell.isEmpty()
                ? Stream.empty()
                : Stream.of(DecimalSign.values())
                        .flatMap(sign -> sign.read(cell.text()).stream())
                        .map(DecimalSign.Written::amount)
                        .distinct();
    }
}
