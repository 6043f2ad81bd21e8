package alcabala.formats.sheet;

import alcabala.formats.csv.CsvProblem;
import alcabala.formats.csv.CsvTable;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.Sheet;
import org.dhatim.fastexcel.reader.SheetVisibility;

/// The first sheet of a workbook that can be seen. Numbers are read as they would be typed, without exponents.
final class XlsxReader {
    private static final int LARGEST = 20 * 1024 * 1024;
    private static final int MOST_ROWS = 500_000;
    private static final int MOST_COLUMNS = 200;
    private static final int LONGEST_CELL = 32_767;

    private XlsxReader() {}

    static CsvTable.Outcome read(byte[] content) {
        if (content.length > LARGEST) {
            return problem(CsvProblem.Code.TOO_LARGE, 0, String.valueOf(content.length));
        }
        try {
            if (!Unpacked.isModest(content)) {
                return problem(CsvProblem.Code.TOO_LARGE, 0, "unpacked");
            }
            try (ReadableWorkbook book = new ReadableWorkbook(new ByteArrayInputStream(content))) {
                Optional<Sheet> sheet = book.getSheets()
                        .filter(each -> each.getVisibility() == SheetVisibility.VISIBLE)
                        .findFirst();
                return sheet.isPresent() ? read(sheet.get()) : problem(CsvProblem.Code.SHEET, 0, "no sheet");
            }
        } catch (IOException | RuntimeException e) {
            // The library says in many ways that a file is damaged.
            return problem(CsvProblem.Code.SHEET, 0, "damaged");
        }
    }

    private static CsvTable.Outcome read(Sheet sheet) throws IOException {
        List<CsvTable.Row> rows = new ArrayList<>();
        try (Stream<Row> stream = sheet.openStream()) {
            for (Row row : (Iterable<Row>) stream::iterator) {
                List<String> cells = cells(row);
                if (row.getCellCount() > MOST_COLUMNS || rows.size() > MOST_ROWS) {
                    return problem(CsvProblem.Code.TOO_LARGE, row.getRowNum(), row.getCellCount() + " cells");
                }
                if (cells.stream().anyMatch(cell -> cell.length() > LONGEST_CELL)) {
                    return problem(CsvProblem.Code.VALUE, row.getRowNum(), "");
                }
                if (cells.stream().anyMatch(cell -> !cell.isEmpty())) {
                    rows.add(new CsvTable.Row(row.getRowNum(), cells));
                }
            }
        }
        if (rows.isEmpty()) {
            return problem(CsvProblem.Code.EMPTY, 0, "");
        }
        List<String> columns = withoutEmptyEnd(rows.removeFirst().cells());
        return new CsvTable.Outcome.Read(new CsvTable(
                columns,
                rows.stream()
                        .map(row -> new CsvTable.Row(row.line(), sized(row.cells(), columns.size())))
                        .toList()));
    }

    private static List<String> cells(Row row) {
        List<String> cells = new ArrayList<>(row.getCellCount());
        for (int i = 0; i < Math.min(row.getCellCount(), MOST_COLUMNS + 1); i++) {
            cells.add(text(row.getCell(i)).strip());
        }
        return cells;
    }

    private static String text(Cell cell) {
        if (cell == null || cell.getType() == CellType.EMPTY || cell.getType() == CellType.ERROR) {
            return "";
        }
        String text = cell.getType() == CellType.NUMBER ? cell.getRawValue() : cell.getText();
        return text == null ? "" : cell.getType() == CellType.NUMBER ? number(text) : text;
    }

    private static String number(String raw) {
        BigDecimal number = new BigDecimal(raw);
        // A few signs can name a number with a billion digits.
        return Math.abs((long) number.scale()) > 30
                ? raw
                : number.stripTrailingZeros().toPlainString();
    }

    private static List<String> withoutEmptyEnd(List<String> cells) {
        int end = cells.size();
        while (end > 0 && cells.get(end - 1).isEmpty()) {
            end--;
        }
        return List.copyOf(cells.subList(0, end));
    }

    /// A sheet does not keep empty cells at the end of a row.
    private static List<String> sized(List<String> cells, int columns) {
        List<String> sized = new ArrayList<>(cells.subList(0, Math.min(cells.size(), columns)));
        while (sized.size() < columns) {
            sized.add("");
        }
        return List.copyOf(sized);
    }

    private static CsvTable.Outcome problem(CsvProblem.Code code, int line, String found) {
        return new CsvTable.Outcome.Unreadable(new CsvProblem(code, line, "", found));
    }
}
