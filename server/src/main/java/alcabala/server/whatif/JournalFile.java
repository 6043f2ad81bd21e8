package alcabala.server.whatif;

import alcabala.accounting.whatif.CorrectingJournal;
import alcabala.formats.sheet.SheetFile;
import alcabala.server.whatif.WouldChange.JournalDraft;
import alcabala.server.whatif.WouldChange.JournalDraftLine;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedSet;
import java.util.TreeSet;

/// Writes correcting journals as CSV: one line for each account, a column for each dimension that is used.
final class JournalFile {
    private JournalFile() {}

    /// @param text what all lines say of their reason
    static byte[] write(CorrectionStore.Row correction, List<CorrectingJournal> journals, Shown shown, String text) {
        SortedSet<String> dimensions = new TreeSet<>();
        journals.forEach(journal -> journal.lines()
                .forEach(line -> dimensions.addAll(line.place().dimensions().keySet())));
        List<String> head =
                new ArrayList<>(List.of("Journal", "Date", "Account", "Name", "Debit", "Credit", "Currency"));
        head.addAll(dimensions);
        head.add("Text");
        List<List<String>> rows = new ArrayList<>();
        for (int i = 0; i < journals.size(); i++) {
            String name = correction.id() + "-" + (i + 1);
            JournalDraft journal = shown.journal(journals.get(i));
            journal.lines().forEach(line -> {
                List<String> cells = cells(name, journal, line, shown.currency());
                dimensions.forEach(dimension -> cells.add(line.dimensions().getOrDefault(dimension, "")));
                cells.add(text);
                rows.add(cells);
            });
        }
        return SheetFile.csv(head, rows);
    }

    private static List<String> cells(String name, JournalDraft journal, JournalDraftLine line, String currency) {
        return new ArrayList<>(List.of(
                name, journal.day().toString(), line.account(), line.name(), line.debit(), line.credit(), currency));
    }
}
