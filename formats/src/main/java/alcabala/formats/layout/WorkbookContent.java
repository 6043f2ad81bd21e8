package alcabala.formats.layout;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/// One sheet of a workbook: days and numbers are such, and text is text.
final class WorkbookContent {
    private WorkbookContent() {}

    static byte[] of(LayoutFile file, List<LayoutRow> rows) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (Workbook book = new Workbook(bytes, "Alcabala", "1.0")) {
            Worksheet sheet = book.newWorksheet(file.name());
            int head = file.headed() ? 1 : 0;
            if (file.headed()) {
                for (int i = 0; i < file.columns().size(); i++) {
                    sheet.value(0, i, file.columns().get(i).heading());
                }
                sheet.freezePane(0, 1);
            }
            for (int row = 0; row < rows.size(); row++) {
                List<Value> cells = rows.get(row).cells();
                for (int i = 0; i < cells.size(); i++) {
                    put(sheet, row + head, i, cells.get(i));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private static void put(Worksheet sheet, int row, int column, Value value) {
        switch (value) {
            case Value.Text text when text.text().isEmpty() -> {}
            case Value.Text text -> sheet.value(row, column, text.text());
            case Value.Day date -> {
                sheet.value(row, column, date.day());
                sheet.style(row, column).format("yyyy-mm-dd").set();
            }
            case Value.Number number -> {
                sheet.value(row, column, number.scaled());
                sheet.style(row, column).format(format(number.scaled().scale())).set();
            }
        }
    }

    private static String format(int decimals) {
        return decimals == 0 ? "0" : "0." + "0".repeat(decimals);
    }
}
