package standins.copperplate;

import java.math.BigDecimal;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import standins.copperplate.ImportRow.RefusedException;

/// Makes an entry of the rows of one reference, or says why it cannot be one.
final class EntryReader {
    private EntryReader() {}

    /// @throws RefusedException with what is wrong
    static Entry read(FileLayout layout, String reference, List<ImportRow> rows) {
        ImportRow first = rows.getFirst();
        if (reference.isEmpty()) {
            throw first.wrong("Reference", "is empty");
        }
        boolean journal = layout == FileLayout.JOURNALS;
        String kind = journal ? "journal" : first.needed("Type");
        if (!journal && !layout.takes(kind)) {
            throw first.wrong("Type", "is none that stands among " + layout.word() + ": " + kind);
        }
        Set<String> codes = rows.stream().map(row -> row.text("Tax code")).collect(Collectors.toSet());
        if (codes.size() > 1) {
            throw new RefusedException("A document takes one tax code, and this has " + String.join(" and ", codes));
        }
        Entry entry = new Entry(
                layout,
                kind,
                first.needed(layout.number()),
                first.day("Date"),
                journal || first.text("Due").isEmpty() ? null : first.day("Due"),
                first.text("Party"),
                first.text("Party name"),
                first.needed("Currency"),
                first.rate("Rate"),
                prices(first, journal),
                first.text("Tax code"),
                first.text("Corrects"),
                first.text("Delivery"),
                reference,
                rows.stream().map(row -> journal ? booking(row) : line(row)).toList());
        requireBalanced(entry);
        return entry;
    }

    private static String prices(ImportRow row, boolean journal) {
        String prices = journal ? "net" : row.needed("Prices");
        if (!prices.equals("net") && !prices.equals("gross")) {
            throw row.wrong("Prices", "is neither net nor gross: " + prices);
        }
        return prices;
    }

    private static Entry.Row line(ImportRow row) {
        String taxed = row.needed("Taxed");
        if (!taxed.equals("yes") && !taxed.equals("no")) {
            throw row.wrong("Taxed", "is neither yes nor no: " + taxed);
        }
        return new Entry.Row(
                row.needed("Account"),
                "",
                row.text("Description"),
                row.quantity("Quantity"),
                row.amount("Amount"),
                taxed.equals("yes"),
                "");
    }

    private static Entry.Row booking(ImportRow row) {
        return new Entry.Row(
                row.needed("Account"),
                row.text("Party"),
                row.text("Description"),
                null,
                row.amount("Debit").subtract(row.amount("Credit")),
                false,
                row.text("Settles"));
    }

    private static void requireBalanced(Entry entry) {
        BigDecimal balance = entry.rows().stream().map(Entry.Row::amount).reduce(BigDecimal.ZERO, BigDecimal::add);
        if (entry.isJournal() && balance.signum() != 0) {
            throw new RefusedException("Debits and credits differ by " + balance);
        }
    }
}
