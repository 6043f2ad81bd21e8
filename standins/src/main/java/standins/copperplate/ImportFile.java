package standins.copperplate;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import standins.Refusal;

/// A file as somebody puts it on the desk: its rows by the reference that they belong to, in the order they stand in.
record ImportFile(FileLayout layout, Map<String, List<ImportRow>> groups) {
    /// @throws Refusal when no layout of it can be made out
    static ImportFile read(byte[] content) {
        String text = new String(content, StandardCharsets.UTF_8);
        List<CsvRecord> records = records(text.startsWith("\uFEFF") ? text.substring(1) : text);
        if (records.isEmpty()) {
            throw Refusal.unprocessable("empty-file", "There is nothing in this file.");
        }
        List<String> columns =
                records.getFirst().getFields().stream().map(String::strip).toList();
        FileLayout layout = FileLayout.of(columns)
                .orElseThrow(() -> Refusal.unprocessable(
                        "unknown-layout", "These are the columns of no file that is taken: " + columns));
        Map<String, List<ImportRow>> groups = new LinkedHashMap<>();
        for (CsvRecord record : records.subList(1, records.size())) {
            ImportRow row = row(columns, record);
            groups.computeIfAbsent(row.text("Reference"), reference -> new ArrayList<>())
                    .add(row);
        }
        return new ImportFile(layout, groups);
    }

    private static List<CsvRecord> records(String text) {
        try (CsvReader<CsvRecord> reader = CsvReader.builder()
                .fieldSeparator(';')
                .skipEmptyLines(true)
                .extraFieldStrategy(de.siegmar.fastcsv.reader.FieldMismatchStrategy.IGNORE)
                .missingFieldStrategy(de.siegmar.fastcsv.reader.FieldMismatchStrategy.IGNORE)
                .ofCsvRecord(text)) {
            return reader.stream().toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static ImportRow row(List<String> columns, CsvRecord record) {
        Map<String, String> cells = new LinkedHashMap<>();
        for (int i = 0; i < Math.min(columns.size(), record.getFieldCount()); i++) {
            cells.put(columns.get(i), record.getField(i));
        }
        return new ImportRow(record.getStartingLineNumber(), cells);
    }
}
