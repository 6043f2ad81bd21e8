package alcabala.formats.grid;

import alcabala.formats.csv.CsvProblem;
import alcabala.formats.grid.GridFile.Outcome;
import alcabala.formats.sheet.Unpacked;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.ReadingOptions;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.Sheet;
import org.dhatim.fastexcel.reader.SheetVisibility;

/// A workbook as grids: what formulas came to when it was saved, days as days, what was merged and what is out of
/// sight told apart.
final class WorkbookGrid {
    private static final int MOST_DIGITS = 30;
    /// Of all sheets together.
    private static final int MOST_CELLS = 2_000_000;

    private WorkbookGrid() {}

    static Outcome read(byte[] content) {
        try {
            if (!Unpacked.isModest(content)) {
                return GridFile.problem(CsvProblem.Code.TOO_LARGE, 0, "unpacked");
            }
            SheetMarks.All marks = SheetMarks.read(content);
            try (ReadableWorkbook book =
                    new ReadableWorkbook(new ByteArrayInputStream(content), new ReadingOptions(true, false))) {
                List<Sheet> sheets = book.getSheets()
                        .filter(each -> each.getVisibility() == SheetVisibility.VISIBLE)
                        .toList();
                List<Grid> grids = new ArrayList<>();
                int room = MOST_CELLS;
                for (Sheet sheet : sheets) {
                    Grid grid = grid(sheet, marks.of(sheet.getName()), room);
                    room -= grid.rows().stream()
                            .mapToInt(row -> row.cells().size())
                            .sum();
                    if (room < 0 || grid.rows().size() > GridFile.MOST_ROWS || grid.columns() > GridFile.MOST_COLUMNS) {
                        return GridFile.problem(
                                CsvProblem.Code.TOO_LARGE, 0, grid.rows().size() + " rows");
                    }
                    if (!grid.rows().isEmpty()) {
                        grids.add(grid);
                    }
                }
                return grids.isEmpty()
                        ? GridFile.problem(CsvProblem.Code.EMPTY, 0, "")
                        : new Outcome.Read(new GridFile(List.copyOf(grids), ""));
            }
        } catch (IOException | RuntimeException e) {
            // The library says in many ways that a file is damaged.
            return GridFile.problem(CsvProblem.Code.SHEET, 0, "damaged");
        }
    }

    /// @param room for so many cells; one row more is read than there is room for
    private static Grid grid(Sheet sheet, SheetMarks marks, int room) throws IOException {
        List<Grid.Row> rows = new ArrayList<>();
        int cells = 0;
        try (Stream<Row> stream = sheet.openStream()) {
            for (Row row : (Iterable<Row>) stream::iterator) {
                Grid.Row read = row(row, marks);
                if (read.cells().stream().anyMatch(cell -> !cell.isEmpty())) {
                    rows.add(read);
                    cells += read.cells().size();
                }
                if (cells > room || rows.size() > GridFile.MOST_ROWS) {
                    break;
                }
            }
        }
        return new Grid(sheet.getName(), List.copyOf(rows));
    }

    private static Grid.Row row(Row row, SheetMarks marks) {
        List<Grid.Cell> cells = new ArrayList<>();
        for (int column = 0; column < Math.min(row.getCellCount(), GridFile.MOST_COLUMNS + 1); column++) {
            cells.add(cell(row.getCell(column), marks.isHidden(column), marks.isCovered(row.getRowNum() - 1, column)));
        }
        return new Grid.Row(row.getRowNum(), row.isHidden(), List.copyOf(cells));
    }

    private static Grid.Cell cell(Cell cell, boolean hidden, boolean covered) {
        if (cell == null || cell.getType() == CellType.EMPTY || cell.getType() == CellType.ERROR) {
            return hidden || covered ? new Grid.Cell("", null, hidden, covered) : Grid.Cell.EMPTY;
        }
        if (cell.getValue() instanceof BigDecimal number) {
            return isDay(cell)
                    ? new Grid.Cell(day(cell, number), null, hidden, covered)
                    : number(number, hidden, covered);
        }
        String text = cell.getType() == CellType.FORMULA ? cell.getRawValue() : cell.getText();
        return cached(text == null ? "" : text.strip(), cell.getType() == CellType.FORMULA, hidden, covered);
    }

    /// What a formula came to is kept as it stands in the file: a number without a sign of what it is.
    private static Grid.Cell cached(String text, boolean formula, boolean hidden, boolean covered) {
        if (formula && text.matches("-?\\d{1,15}(\\.\\d+)?([eE][+-]?\\d{1,2})?")) {
            return number(new BigDecimal(text), hidden, covered);
        }
        return new Grid.Cell(text.substring(0, Math.min(text.length(), GridFile.LONGEST_CELL)), null, hidden, covered);
    }

    private static Grid.Cell number(BigDecimal number, boolean hidden, boolean covered) {
        // A few signs can name a number with a billion digits.
        boolean plain = Math.abs((long) number.scale()) <= MOST_DIGITS && number.precision() <= MOST_DIGITS;
        return plain
                ? new Grid.Cell(number.stripTrailingZeros().toPlainString(), number, hidden, covered)
                : new Grid.Cell(number.toString(), null, hidden, covered);
    }

    private static boolean isDay(Cell cell) {
        String format = cell.getDataFormatString();
        return format != null
                && format.replaceAll("\\[[^]]*]|\"[^\"]*\"|\\\\.", "").matches("(?i).*[dmy].*[dmy].*");
    }

    /// Also where the book counts its days from 1904.
    private static String day(Cell cell, BigDecimal number) {
        try {
            LocalDateTime moment = cell.asDate();
            return moment.toLocalDate().toString();
        } catch (RuntimeException e) {
            return number.stripTrailingZeros().toPlainString();
        }
    }
}
