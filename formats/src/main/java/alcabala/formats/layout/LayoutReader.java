package alcabala.formats.layout;

import alcabala.formats.layout.LayoutField.Shape;
import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// Reads a file by the layout that it was written by: what was written comes back, or what cannot be read is named.
public final class LayoutReader {
    private static final JsonMapper JSON = new JsonMapper();
    private final Layout layout;
    private final LayoutFile file;
    private final List<Problem> problems = new ArrayList<>();
    private final List<LayoutRow> rows = new ArrayList<>();

    /// @param row of the file, 1-based
    /// @param heading of its column; empty where the whole row is meant
    public record Problem(int row, String heading, String found) {}

    /// Rows as far as they could be read, and what could not.
    public record Read(List<LayoutRow> rows, List<Problem> problems) {}

    private LayoutReader(Layout layout, LayoutFile file) {
        this.layout = layout;
        this.file = file;
    }

    public static Read read(Layout layout, LayoutFile file, byte[] content) {
        LayoutReader reader = new LayoutReader(layout, file);
        switch (layout.medium()) {
            case CSV -> reader.csv(content);
            case XLSX -> reader.workbook(content);
            case JSON_LINES -> reader.json(content);
            case UBL -> throw new IllegalArgumentException("an invoice is read by UblReader");
        }
        return new Read(List.copyOf(reader.rows), List.copyOf(reader.problems));
    }

    private void csv(byte[] content) {
        try (CsvReader<CsvRecord> csv = CsvReader.builder()
                .fieldSeparator(layout.form().separator())
                // Rows of records and of their lines differ in length; one that is too short is a problem below.
                .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
                .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
                .ofCsvRecord(decoded(content))) {
            int row = 0;
            for (CsvRecord each : csv) {
                take(++row, each.getFieldCount(), each::getField);
            }
        } catch (CharacterCodingException e) {
            problem(0, "", layout.form().encoding().name());
        } catch (CsvParseException e) {
            problem(rows.size() + 1, "", "\"");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private String decoded(byte[] content) throws CharacterCodingException {
        String text = layout.form()
                .encoding()
                .charset()
                .newDecoder()
                .onMalformedInput(CodingErrorAction.REPORT)
                .onUnmappableCharacter(CodingErrorAction.REPORT)
                .decode(ByteBuffer.wrap(content))
                .toString();
        return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }

    private void workbook(byte[] content) {
        try (ReadableWorkbook book = new ReadableWorkbook(new ByteArrayInputStream(content))) {
            int wide = Math.max(file.columns().size(), file.splits().size());
            for (Row row : book.getFirstSheet().read()) {
                take(
                        row.getRowNum(),
                        Math.max(row.getCellCount(), wide),
                        at -> text(row.getOptionalCell(at).orElse(null)));
            }
        } catch (IOException | RuntimeException e) {
            problem(0, "", "xlsx");
        }
    }

    /// As plain text, days as a number of days.
    private static String text(Cell cell) {
        if (cell == null || cell.getType() == CellType.EMPTY) {
            return "";
        }
        return cell.getType() == CellType.NUMBER ? cell.asNumber().toPlainString() : cell.getText();
    }

    private void take(int row, int count, Function<Integer, String> cells) {
        if (row == 1 && file.headed()) {
            heads(count, cells);
            return;
        }
        boolean split = file.marks().stream()
                .anyMatch(mark -> mark < count
                        && cells.apply(mark).equals(file.splits().get(mark).argument()));
        List<LayoutColumn> columns = split ? file.splits() : file.columns();
        if (count < columns.size()) {
            problem(row, "", count + " cells");
            return;
        }
        List<Value> values = new ArrayList<>(columns.size());
        for (int i = 0; i < columns.size(); i++) {
            values.add(value(row, columns.get(i), cells.apply(i)));
        }
        rows.add(new LayoutRow(split, List.copyOf(values)));
    }

    private void heads(int count, Function<Integer, String> cells) {
        for (int i = 0; i < file.columns().size(); i++) {
            String expected = file.columns().get(i).heading();
            String found = i < count ? cells.apply(i) : "";
            if (!found.equals(expected)) {
                problem(1, expected, found);
            }
        }
    }

    private Value value(int row, LayoutColumn column, String text) {
        if (text.isEmpty()) {
            return Value.NOTHING;
        }
        try {
            return switch (column.field().shape()) {
                case TEXT -> Value.text(column.meant(text));
                case DAY -> Value.day(day(text));
                case NUMBER -> Value.number(number(text));
            };
        } catch (DateTimeParseException | NumberFormatException e) {
            problem(row, column.heading(), text);
            return Value.NOTHING;
        }
    }

    private LocalDate day(String text) {
        return switch (layout.medium()) {
            case CSV -> LocalDate.parse(text, layout.form().day());
            // Days since the end of 1899, in the calendar that has 29 February 1900 (ECMA-376, 18.17.4.1).
            case XLSX -> LocalDate.of(1899, 12, 30).plusDays(new BigDecimal(text).longValue());
            case JSON_LINES, UBL -> LocalDate.parse(text);
        };
    }

    private BigDecimal number(String text) {
        if (layout.medium() != Layout.Medium.CSV) {
            return new BigDecimal(text);
        }
        TextForm form = layout.form();
        String bare = form.grouping().isEmpty() ? text : text.replace(form.grouping(), "");
        if (form.decimalSign() == ',' && bare.indexOf('.') >= 0) {
            throw new NumberFormatException(text);
        }
        return new BigDecimal(bare.replace(form.decimalSign(), '.'));
    }

    private void json(byte[] content) {
        int row = 0;
        for (String line : new String(content, StandardCharsets.UTF_8).lines().toList()) {
            try {
                object(++row, JSON.readTree(line));
            } catch (JacksonException e) {
                problem(row, "", line.substring(0, Math.min(line.length(), 40)));
            }
        }
    }

    private void object(int row, JsonNode object) {
        rows.add(new LayoutRow(false, cells(row, object, file.columns())));
        object.path("lines").forEach(line -> rows.add(new LayoutRow(true, cells(row, line, file.splits()))));
    }

    private List<Value> cells(int row, JsonNode object, List<LayoutColumn> columns) {
        return columns.stream()
                .map(column -> value(
                        row,
                        column,
                        text(object.path(column.heading()), column.field().shape())))
                .toList();
    }

    private static String text(JsonNode node, Shape shape) {
        return shape == Shape.NUMBER && node.isNumber() ? node.decimalValue().toPlainString() : node.asString("");
    }

    private void problem(int row, String heading, String found) {
        problems.add(new Problem(row, heading, found));
    }
}
