package alcabala.server.whatif;

import alcabala.formats.sheet.SheetFile;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.DocumentJson;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SortedSet;
import java.util.TreeSet;

/// Writes correcting journals as CSV: one line for each account, a column for each dimension that is used.
final class JournalFile {
    private JournalFile() {}

    /// @param names of accounts
    /// @param text what all lines say of their reason
    static byte[] write(
            CorrectionStore.Row correction, List<CorrectionStore.Line> lines, Map<String, String> names, String text) {
        SortedSet<String> dimensions = new TreeSet<>();
        lines.forEach(
                line -> dimensions.addAll(DocumentJson.map(line.dimensions()).keySet()));
        List<String> head =
                new ArrayList<>(List.of("Journal", "Date", "Account", "Name", "Debit", "Credit", "Currency"));
        head.addAll(dimensions);
        head.add("Text");
        return SheetFile.csv(
                head,
                lines.stream()
                        .map(line -> cells(correction, line, names, dimensions, text))
                        .toList());
    }

    private static List<String> cells(
            CorrectionStore.Row correction,
            CorrectionStore.Line line,
            Map<String, String> names,
            SortedSet<String> dimensions,
            String text) {
        String amount = Amounts.decimal(correction.currency(), Math.abs(line.amount()));
        List<String> cells = new ArrayList<>(List.of(
                correction.id() + "-" + line.journal(),
                line.day().toString(),
                line.account(),
                names.getOrDefault(line.account(), ""),
                line.amount() > 0 ? amount : "",
                line.amount() < 0 ? amount : "",
                correction.currency()));
        Map<String, String> values = DocumentJson.map(line.dimensions());
        dimensions.forEach(dimension -> cells.add(values.getOrDefault(dimension, "")));
        cells.add(text);
        return cells;
    }
}
