package alcabala.formats.layout;

import alcabala.accounting.party.Party;
import alcabala.accounting.record.RecordKind;
import java.util.List;

/// How the files of a batch look: one or several, which go together in a ZIP.
///
/// @param name unique among those of a ledger
/// @param creditsNegative whether what is given back (credit notes, refunds) has its amounts negative
/// @param own who we are on an invoice, for the medium that says so
public record Layout(
        String name,
        Carries carries,
        Medium medium,
        TextForm form,
        boolean creditsNegative,
        List<LayoutFile> files,
        Party own) {
    /// So many files go together at most.
    public static final int MOST_FILES = 8;

    /// What a layout is for: a batch carries one of these.
    public enum Carries {
        SALES,
        PURCHASES,
        SETTLEMENTS;

        public static Carries of(RecordKind kind) {
            if (!kind.isDocument()) {
                return SETTLEMENTS;
            }
            return kind.isSale() ? SALES : PURCHASES;
        }
    }

    public enum Medium {
        CSV("csv"),
        XLSX("xlsx"),
        /// One object in each line, with what its lines say below it.
        JSON_LINES("jsonl"),
        /// One invoice or credit note for each record, laid out by its standard; several together in a ZIP.
        UBL("xml");

        private final String ending;

        Medium(String ending) {
            this.ending = ending;
        }

        public String ending() {
            return ending;
        }

        /// Whether its files have columns.
        public boolean isTable() {
            return this != UBL;
        }
    }

    public Layout {
        files = List.copyOf(files);
        if (files.isEmpty() || files.size() > MOST_FILES) {
            throw new IllegalArgumentException("a layout has 1 to " + MOST_FILES + " files");
        }
        if (files.stream().map(LayoutFile::name).distinct().count() < files.size()) {
            throw new IllegalArgumentException("two files of one layout have one name");
        }
        own = own == null ? Party.named("", "") : own;
        if (medium.isTable() && files.stream().anyMatch(file -> file.columns().isEmpty())) {
            throw new IllegalArgumentException("a file has 1 to " + LayoutFile.MOST_COLUMNS + " columns");
        }
        if (!medium.isTable()) {
            requireWhole(carries, files);
        }
    }

    /// For a medium that is a table.
    public Layout(
            String name,
            Carries carries,
            Medium medium,
            TextForm form,
            boolean creditsNegative,
            List<LayoutFile> files) {
        this(name, carries, medium, form, creditsNegative, files, null);
    }

    private static void requireWhole(Carries carries, List<LayoutFile> files) {
        if (carries == Carries.SETTLEMENTS) {
            throw new IllegalArgumentException("UBL carries invoices and credit notes, and no payments");
        }
        if (files.size() > 1 || !files.getFirst().columns().isEmpty()) {
            throw new IllegalArgumentException("UBL is laid out by its standard: there is one file, without columns");
        }
    }
}
