package alcabala.formats.sheet;

import alcabala.formats.csv.CsvTable;
import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Pattern;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/// A table with a heading row, as CSV or as the first sheet of a workbook. What is written is read back the
/// same.
public final class SheetFile {
    /// With which it begins that a spreadsheet may take for a formula. Text of CSV that begins so, or with an
    /// apostrophe before such, gets an apostrophe before it, and loses it when it is read; a cell of a workbook
    /// is text anyway.
    private static final Pattern FORMULA = Pattern.compile("'*[=@+\\-\\t\\r].*", Pattern.DOTALL);

    private SheetFile() {}

    /// Told apart by how it begins, whatever it is called.
    public static CsvTable.Outcome read(byte[] content) {
        if (content.length > 1 && content[0] == 'P' && content[1] == 'K') {
            return XlsxReader.read(content);
        }
        return switch (CsvTable.read(content)) {
            case CsvTable.Outcome.Read read -> new CsvTable.Outcome.Read(plain(read.table()));
            case CsvTable.Outcome.Unreadable problem -> problem;
        };
    }

    private static CsvTable plain(CsvTable table) {
        return new CsvTable(
                table.columns(),
                table.rows().stream()
                        .map(row -> new CsvTable.Row(
                                row.line(),
                                row.cells().stream().map(SheetFile::plain).toList()))
                        .toList());
    }

    private static String plain(String cell) {
        return cell.startsWith("'") && FORMULA.matcher(cell).matches() ? cell.substring(1) : cell;
    }

    /// UTF-8 with a mark at its beginning, by which spreadsheets know it.
    public static byte[] csv(List<String> columns, List<List<String>> rows) {
        StringWriter text = new StringWriter();
        text.write('\uFEFF');
        try (CsvWriter csv = CsvWriter.builder().build(text)) {
            csv.writeRecord(columns.stream().map(SheetFile::safe).toList());
            rows.forEach(
                    row -> csv.writeRecord(row.stream().map(SheetFile::safe).toList()));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    /// Text of a cell of CSV as no spreadsheet takes it for a formula.
    public static String safe(String cell) {
        return FORMULA.matcher(cell).matches() ? "'" + cell : cell;
    }

    /// @param name of the sheet; what a sheet may not be called is left out
    public static byte[] xlsx(String name, List<String> columns, List<List<String>> rows) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (Workbook book = new Workbook(bytes, "Alcabala", "1.0")) {
            String said = name.replaceAll("[\\[\\]:*?/\\\\']", " ");
            Worksheet sheet = book.newWorksheet(said.substring(0, Math.min(31, said.length())));
            sheet.freezePane(0, 1);
            for (int column = 0; column < columns.size(); column++) {
                sheet.value(0, column, columns.get(column));
                sheet.style(0, column).bold().set();
                sheet.width(column, width(column, columns, rows));
                // As text, so that what begins with zeros keeps them when somebody edits it.
                sheet.range(0, column, Math.max(1, rows.size()), column)
                        .style()
                        .format("@")
                        .set();
            }
            for (int row = 0; row < rows.size(); row++) {
                for (int column = 0; column < columns.size(); column++) {
                    String cell = rows.get(row).get(column);
                    if (!cell.isEmpty()) {
                        sheet.value(row + 1, column, cell);
                    }
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private static double width(int column, List<String> columns, List<List<String>> rows) {
        int longest = rows.stream()
                .limit(200)
                .mapToInt(row -> row.get(column).length())
                .max()
                .orElse(0);
        return Math.clamp(Math.max(longest, columns.get(column).length()) + 2, 8, 60);
    }
}
