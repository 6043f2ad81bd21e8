package alcabala.formats.print;

import alcabala.formats.print.Report.Cell;
import alcabala.formats.print.Report.Table;
import alcabala.formats.sheet.SheetFile;
import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/// A report for a spreadsheet: figures are figures, days are days, and no text is taken for a formula.
public final class Sheets {
    private static final int LONGEST_NAME = 31;
    private static final int WIDTH = 18;

    private Sheets() {}

    /// A workbook with a sheet for each table, after one with what it is of.
    public static byte[] xlsx(Report report) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (Workbook book = new Workbook(bytes, "Alcabala", "1.0")) {
            Worksheet first = book.newWorksheet("About");
            first.value(0, 0, report.title());
            first.style(0, 0).bold().set();
            first.value(1, 0, report.about());
            for (int i = 0; i < report.facts().size(); i++) {
                first.value(i + 2, 0, report.facts().get(i).name());
                first.value(i + 2, 1, report.facts().get(i).value());
            }
            first.value(report.facts().size() + 2, 0, report.printed());
            first.width(0, 2 * WIDTH);
            Set<String> names = new HashSet<>(Set.of("about"));
            report.tables().forEach(table -> write(book.newWorksheet(name(table.title(), names)), table));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    /// No two sheets of a book may have the same, however their letters are written.
    private static String name(String title, Set<String> before) {
        String said = title.replaceAll("[\\[\\]:*?/\\\\']", " ");
        String name = said.substring(0, Math.min(LONGEST_NAME, said.length()));
        for (int n = 2; !before.add(name.toLowerCase(Locale.ROOT)); n++) {
            String end = " " + n;
            name = said.substring(0, Math.min(LONGEST_NAME - end.length(), said.length())) + end;
        }
        return name;
    }

    private static void write(Worksheet sheet, Table table) {
        sheet.freezePane(0, 1);
        for (int column = 0; column < table.columns().size(); column++) {
            sheet.value(0, column, table.columns().get(column).name());
            sheet.style(0, column).bold().set();
            sheet.width(column, WIDTH);
        }
        int at = 0;
        for (List<Cell> row : table.rows()) {
            write(sheet, ++at, row);
        }
        if (!table.total().isEmpty()) {
            write(sheet, ++at, table.total());
            sheet.range(at, 0, at, table.columns().size() - 1).style().bold().set();
        }
    }

    private static void write(Worksheet sheet, int at, List<Cell> row) {
        for (int column = 0; column < row.size(); column++) {
            switch (row.get(column)) {
                case Cell.Text text -> sheet.value(at, column, text.text());
                case Cell.Amount amount -> {
                    sheet.value(at, column, amount.amount());
                    sheet.style(at, column).format(format(amount.amount())).set();
                }
                case Cell.Count count -> sheet.value(at, column, count.count());
                case Cell.Day day -> {
                    sheet.value(at, column, day.day());
                    sheet.style(at, column).format("yyyy-mm-dd").set();
                }
            }
        }
    }

    private static String format(BigDecimal amount) {
        return amount.scale() > 0 ? "#,##0." + "0".repeat(amount.scale()) : "#,##0";
    }

    /// All tables one below the other, each after its title and before an empty line; figures with a decimal point and
    /// nothing between thousands, days as ISO 8601 writes them.
    public static byte[] csv(Report report) {
        List<List<String>> rows = new ArrayList<>();
        report.facts().forEach(fact -> rows.add(List.of(fact.name(), SheetFile.safe(fact.value()))));
        for (Table table : report.tables()) {
            rows.add(List.of(""));
            rows.add(List.of(table.title()));
            rows.add(table.columns().stream().map(Report.Column::name).toList());
            table.rows().forEach(row -> rows.add(plain(row)));
            if (!table.total().isEmpty()) {
                rows.add(plain(table.total()));
            }
        }
        StringWriter text = new StringWriter();
        // By which spreadsheets know UTF-8.
        text.write('\uFEFF');
        try (CsvWriter csv = CsvWriter.builder().build(text)) {
            csv.writeRecord(SheetFile.safe(report.title()), SheetFile.safe(report.about()));
            rows.forEach(csv::writeRecord);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static List<String> plain(List<Cell> row) {
        return row.stream().map(Sheets::plain).toList();
    }

    private static String plain(Cell cell) {
        return switch (cell) {
            case Cell.Text text -> SheetFile.safe(text.text());
            case Cell.Amount amount -> amount.amount().toPlainString();
            case Cell.Count count -> String.valueOf(count.count());
            case Cell.Day day -> day.day().toString();
        };
    }
}
