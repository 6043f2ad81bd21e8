package alcabala.formats.grid;

import alcabala.formats.csv.CsvProblem;
import alcabala.formats.grid.GridFile.Outcome;
import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/// A text file as a grid. What divides its cells is what divides most of its rows alike, whatever stands above them.
final class TextGrid {
    private static final Charset WESTERN = Charset.forName("windows-1252");
    private static final List<Character> SEPARATORS = List.of(';', '\t', ',', '|');
    /// By which some programs say what divides the cells.
    private static final Pattern SAID = Pattern.compile("sep=([;,|:^~\\t])\\R");
    private static final Pattern AS_TYPED = Pattern.compile("'([^'].*)|=\"([^\"]*)\"", Pattern.DOTALL);
    private static final int LOOKED_AT = 200;

    private TextGrid() {}

    private record Text(String text, String guessed) {}

    static Outcome read(byte[] content) {
        Text text = decode(content);
        if (text.text().isBlank()) {
            return GridFile.problem(CsvProblem.Code.EMPTY, 0, "");
        }
        Matcher said = SAID.matcher(text.text());
        boolean says = said.lookingAt();
        String body = says ? text.text().substring(said.end()) : text.text();
        char separator = says ? said.group(1).charAt(0) : separator(body);
        List<Grid.Row> rows = new ArrayList<>();
        try {
            read(body, separator, Integer.MAX_VALUE, says ? 1 : 0, rows);
        } catch (CsvParseException e) {
            int after = rows.isEmpty() ? 0 : rows.getLast().line();
            return GridFile.problem(CsvProblem.Code.QUOTES, after + 1, "");
        }
        return beyondLimits(rows)
                .orElseGet(() ->
                        new Outcome.Read(new GridFile(List.of(new Grid("", List.copyOf(rows))), text.guessed())));
    }

    private static Optional<Outcome> beyondLimits(List<Grid.Row> rows) {
        if (rows.size() > GridFile.MOST_ROWS) {
            return Optional.of(GridFile.problem(CsvProblem.Code.TOO_LARGE, 0, rows.size() + " rows"));
        }
        return rows.stream()
                .filter(row -> row.cells().size() > GridFile.MOST_COLUMNS
                        || row.cells().stream().anyMatch(cell -> cell.text().length() > GridFile.LONGEST_CELL))
                .findFirst()
                .map(row -> GridFile.problem(
                        row.cells().size() > GridFile.MOST_COLUMNS ? CsvProblem.Code.TOO_LARGE : CsvProblem.Code.VALUE,
                        row.line(),
                        row.cells().size() + " cells"));
    }

    /// By its mark; without one UTF-8 if it is that, UTF-16 if every other byte says so, else what most spreadsheets of
    /// western Europe write. Figures and numbers of documents are the same in all of those.
    private static Text decode(byte[] content) {
        if (begins(content, 0xEF, 0xBB, 0xBF)) {
            return new Text(new String(content, 3, content.length - 3, StandardCharsets.UTF_8), "");
        }
        if (begins(content, 0xFF, 0xFE)) {
            return new Text(new String(content, 2, content.length - 2, StandardCharsets.UTF_16LE), "");
        }
        if (begins(content, 0xFE, 0xFF)) {
            return new Text(new String(content, 2, content.length - 2, StandardCharsets.UTF_16BE), "");
        }
        if (content.length > 3 && content[1] == 0 && content[3] == 0) {
            return new Text(new String(content, StandardCharsets.UTF_16LE), "UTF-16");
        }
        if (content.length > 3 && content[0] == 0 && content[2] == 0) {
            return new Text(new String(content, StandardCharsets.UTF_16BE), "UTF-16");
        }
        try {
            return new Text(
                    StandardCharsets.UTF_8
                            .newDecoder()
                            .onMalformedInput(CodingErrorAction.REPORT)
                            .onUnmappableCharacter(CodingErrorAction.REPORT)
                            .decode(ByteBuffer.wrap(content))
                            .toString(),
                    "");
        } catch (CharacterCodingException e) {
            return new Text(new String(content, WESTERN), WESTERN.displayName());
        }
    }

    private static boolean begins(byte[] content, int... with) {
        for (int i = 0; i < with.length; i++) {
            if (content.length <= i || content[i] != (byte) with[i]) {
                return false;
            }
        }
        return true;
    }

    /// By an apostrophe, or as a formula that gives a text, a spreadsheet is told to leave a number as it was typed.
    private static String plain(String cell) {
        Matcher told = AS_TYPED.matcher(cell);
        return told.matches() ? told.group(1) == null ? told.group(2) : told.group(1) : cell;
    }

    private static char separator(String text) {
        return SEPARATORS.stream()
                .max(Comparator.<Character>comparingInt(each -> alike(text, each))
                        .thenComparingInt(each -> -SEPARATORS.indexOf(each)))
                .orElseThrow();
    }

    /// How many of the first rows it divides into the same number of cells, more than one.
    private static int alike(String text, char separator) {
        List<Grid.Row> rows = new ArrayList<>();
        try {
            read(text, separator, LOOKED_AT, 0, rows);
        } catch (CsvParseException e) {
            return 0;
        }
        List<Integer> widths = rows.stream()
                .map(row -> row.cells().size())
                .filter(width -> width > 1)
                .toList();
        return widths.stream()
                .mapToInt(width -> (int) widths.stream().filter(width::equals).count())
                .max()
                .orElse(0);
    }

    /// @param before lines of the file that are not in the text
    /// @param rows where they are put, as far as they can be read
    private static void read(String text, char separator, int most, int before, List<Grid.Row> rows) {
        try (CsvReader<CsvRecord> reader = CsvReader.builder()
                        .fieldSeparator(separator)
                        .skipEmptyLines(true)
                        .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
                        .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
                        .allowUnclosedQuote(false)
                        .ofCsvRecord(text);
                Stream<CsvRecord> records = reader.stream()) {
            records.limit(Math.min(most, GridFile.MOST_ROWS + 1L)).forEach(record -> {
                List<Grid.Cell> cells = record.getFields().stream()
                        .map(field -> Grid.Cell.text(plain(field.strip())))
                        .toList();
                if (cells.stream().anyMatch(cell -> !cell.isEmpty())) {
                    rows.add(new Grid.Row((int) record.getStartingLineNumber() + before, false, cells));
                }
            });
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
