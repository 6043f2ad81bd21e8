package standins.copperplate;

import java.util.List;
import java.util.Optional;
import java.util.Set;

/// The files that Copperplate imports: text in UTF-8, semicolons between the cells, a heading row, points before
/// decimals,
/// days as 31/12/2026. The rows of one reference stand together. Columns may stand in any order.
enum FileLayout {
    SALES(Set.of("invoice", "credit note"), documents("Number")),
    PURCHASES(Set.of("bill", "supplier credit"), documents("Supplier's number")),
    JOURNALS(
            Set.of(),
            List.of(
                    "Delivery",
                    "Reference",
                    "Number",
                    "Date",
                    "Party",
                    "Party name",
                    "Currency",
                    "Rate",
                    "Account",
                    "Description",
                    "Debit",
                    "Credit",
                    "Settles"));

    private final Set<String> types;
    private final List<String> columns;

    FileLayout(Set<String> types, List<String> columns) {
        this.types = types;
        this.columns = columns;
    }

    /// @param number the column of the number that the document has where it comes from
    private static List<String> documents(String number) {
        return List.of(
                "Delivery",
                "Reference",
                "Type",
                number,
                "Date",
                "Due",
                "Party",
                "Party name",
                "Currency",
                "Rate",
                "Prices",
                "Tax code",
                "Corrects",
                "Account",
                "Description",
                "Quantity",
                "Amount",
                "Taxed");
    }

    static Optional<FileLayout> of(List<String> found) {
        for (FileLayout each : values()) {
            if (found.containsAll(each.columns)) {
                return Optional.of(each);
            }
        }
        return Optional.empty();
    }

    boolean takes(String type) {
        return types.contains(type);
    }

    /// The column of the number that the document has where it comes from.
    String number() {
        return this == PURCHASES ? "Supplier's number" : "Number";
    }

    /// As the desk says it.
    String word() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }
}
