package alcabala.formats.layout;

import java.nio.charset.CharacterCodingException;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

/// Writes records into files by a layout: the same records give the same files, to the byte but for the hour that a
/// workbook keeps of itself.
public final class LayoutWriter {
    /// With which it begins that a spreadsheet may take for a formula.
    private static final Pattern FORMULA = Pattern.compile("[=@+\\-\\t\\r].*", Pattern.DOTALL);
    /// So many are named; a person wants to know that there are some, and which kind.
    private static final int NAMED = 20;

    private final Layout layout;
    private final InvoiceFacts facts;

    /// @throws CannotWriteException when what stands there cannot be written in the encoding
    public static final class CannotWriteException extends RuntimeException {
        private final String text;

        CannotWriteException(String text, Throwable cause) {
            super(text, cause);
            this.text = text;
        }

        /// The text that the encoding has no signs for.
        public String text() {
            return text;
        }
    }

    /// @param facts for a medium that says more of a record than what is sent
    public LayoutWriter(Layout layout, InvoiceFacts facts) {
        this.layout = layout;
        this.facts = facts;
    }

    public LayoutWriter(Layout layout) {
        this(layout, InvoiceFacts.NONE);
    }

    /// @param delivery the batch and its revision
    public Written write(List<Exported> records, String delivery) {
        return layout.medium().isTable()
                ? tables(records, delivery)
                : new InvoiceFiles(layout, facts).of(records, delivery);
    }

    private Written tables(List<Exported> records, String delivery) {
        List<Written.File> files = new ArrayList<>();
        List<Written.Place> places = new ArrayList<>();
        List<Written.Formula> formulas = new ArrayList<>();
        for (LayoutFile file : layout.files()) {
            FileRows rows = new FileRows(file);
            String name = file.name() + "-" + delivery + "." + layout.medium().ending();
            int head = file.headed() && layout.medium() != Layout.Medium.JSON_LINES ? 1 : 0;
            for (Exported each : records) {
                int first = rows.count() + 1 + head;
                rows.add(Values.of(each, delivery, layout.creditsNegative()));
                if (files.isEmpty()) {
                    places.add(new Written.Place(each.reference(), name, first, rows.count() + head));
                }
            }
            files.add(new Written.File(name, content(file, rows.rows())));
            formulas.addAll(formulas(name, file, rows.rows(), head));
        }
        return new Written(List.copyOf(files), List.copyOf(places), List.copyOf(formulas), List.of());
    }

    /// The rows of each file as text, as they would stand there; none of what is no table.
    public List<List<List<String>>> shown(List<Exported> records, String delivery) {
        CsvContent content = new CsvContent(layout.form());
        if (!layout.medium().isTable()) {
            return List.of();
        }
        return layout.files().stream()
                .map(file -> {
                    FileRows rows = new FileRows(file);
                    records.forEach(each -> rows.add(Values.of(each, delivery, layout.creditsNegative())));
                    return rows.rows().stream()
                            .map(row -> row.cells().stream().map(content::cell).toList())
                            .toList();
                })
                .toList();
    }

    private byte[] content(LayoutFile file, List<LayoutRow> rows) {
        try {
            return switch (layout.medium()) {
                case CSV -> new CsvContent(layout.form()).of(file, rows);
                case XLSX -> WorkbookContent.of(file, rows);
                case JSON_LINES -> JsonContent.of(file, rows);
                case UBL -> throw new IllegalStateException("an invoice has no rows");
            };
        } catch (CharacterCodingException e) {
            throw new CannotWriteException(e.getMessage(), e);
        }
    }

    /// In a workbook a text is a text, and nobody opens lines of JSON in a spreadsheet.
    private List<Written.Formula> formulas(String name, LayoutFile file, List<LayoutRow> rows, int head) {
        List<Written.Formula> found = new ArrayList<>();
        for (int row = 0; row < rows.size() && layout.medium() == Layout.Medium.CSV; row++) {
            List<LayoutColumn> columns = rows.get(row).split() ? file.splits() : file.columns();
            List<Value> cells = rows.get(row).cells();
            for (int i = 0; i < cells.size() && found.size() < NAMED; i++) {
                if (cells.get(i) instanceof Value.Text text
                        && FORMULA.matcher(text.text()).matches()) {
                    found.add(new Written.Formula(
                            name, row + 1 + head, columns.get(i).heading(), text.text()));
                }
            }
        }
        return found;
    }
}
