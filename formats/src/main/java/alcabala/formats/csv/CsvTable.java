package alcabala.formats.csv;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/// A table as it stands in a file: its column names, and its rows with the line each began on. Semicolons, commas and
/// tabs are told apart by the first line; anything but UTF-8 is refused, since a wrong guess would spoil names.
public record CsvTable(List<String> columns, List<Row> rows) {
    private static final int LARGEST = 20 * 1024 * 1024;
    private static final char[] SEPARATORS = {';', ',', '\t'};

    public record Row(int line, List<String> cells) {}

    /// What reading gave.
    public sealed interface Outcome {
        record Read(CsvTable table) implements Outcome {}

        record Unreadable(CsvProblem problem) implements Outcome {}
    }

    public static Outcome read(byte[] content) {
        if (content.length > LARGEST) {
            return problem(CsvProblem.Code.TOO_LARGE, 0, String.valueOf(content.length));
        }
        if (content.length >= 2 && looksLikeUtf16(content)) {
            return problem(CsvProblem.Code.ENCODING, 0, "UTF-16");
        }
        String text;
        try {
            text = StandardCharsets.UTF_8
                    .newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .onUnmappableCharacter(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(content))
                    .toString();
        } catch (CharacterCodingException e) {
            return problem(CsvProblem.Code.ENCODING, lineOfForeignByte(content), "windows-1252");
        }
        return parse(text.startsWith("\uFEFF") ? text.substring(1) : text);
    }

    private static boolean looksLikeUtf16(byte[] content) {
        boolean marked = (content[0] == (byte) 0xFE && content[1] == (byte) 0xFF)
                || (content[0] == (byte) 0xFF && content[1] == (byte) 0xFE);
        return marked || content[0] == 0 || content[1] == 0;
    }

    /// The line of the first byte that is no UTF-8.
    private static int lineOfForeignByte(byte[] content) {
        ByteBuffer bytes = ByteBuffer.wrap(content);
        StandardCharsets.UTF_8
                .newDecoder()
                .onMalformedInput(CodingErrorAction.REPORT)
                .decode(bytes, java.nio.CharBuffer.allocate(content.length), true);
        int line = 1;
        for (int i = 0; i < bytes.position(); i++) {
            line += content[i] == '\n' ? 1 : 0;
        }
        return line;
    }

    private static Outcome parse(String text) {
        if (text.isBlank()) {
            return problem(CsvProblem.Code.EMPTY, 0, "");
        }
        String head = text.lines().findFirst().orElse("");
        char separator = separator(head);
        if (head.indexOf(separator) < 0) {
            return problem(CsvProblem.Code.SEPARATOR, 1, head);
        }
        List<Row> rows = new ArrayList<>();
        try (CsvReader<CsvRecord> reader = CsvReader.builder()
                .fieldSeparator(separator)
                .skipEmptyLines(true)
                .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
                .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
                .allowUnclosedQuote(false)
                .ofCsvRecord(text)) {
            for (CsvRecord record : reader) {
                rows.add(new Row(
                        (int) record.getStartingLineNumber(),
                        record.getFields().stream().map(String::strip).toList()));
            }
        } catch (CsvParseException e) {
            return problem(
                    CsvProblem.Code.QUOTES, rows.isEmpty() ? 1 : rows.getLast().line() + 1, "");
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        List<String> columns = rows.removeFirst().cells();
        for (Row row : rows) {
            if (row.cells().size() != columns.size()) {
                return problem(CsvProblem.Code.CELLS, row.line(), row.cells().size() + " of " + columns.size());
            }
        }
        return new Outcome.Read(new CsvTable(columns, List.copyOf(rows)));
    }

    private static char separator(String head) {
        char best = SEPARATORS[0];
        for (char each : SEPARATORS) {
            if (count(head, each) > count(head, best)) {
                best = each;
            }
        }
        return best;
    }

    private static long count(String text, char which) {
        return text.chars().filter(c -> c == which).count();
    }

    private static Outcome problem(CsvProblem.Code code, int line, String found) {
        return new Outcome.Unreadable(new CsvProblem(code, line, "", found));
    }
}
