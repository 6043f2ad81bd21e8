package alcabala.formats.layout;

import alcabala.accounting.record.RecordKind;
import java.util.List;

/// How the files of a batch look: one or several, which go together in a ZIP.
///
/// @param name unique among those of a ledger
/// @param creditsNegative whether what is given back (credit notes, refunds) has its amounts negative
public record Layout(
        String name, Carries carries, Medium medium, TextForm form, boolean creditsNegative, List<LayoutFile> files) {
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
        JSON_LINES("jsonl");

        private final String ending;

        Medium(String ending) {
            this.ending = ending;
        }

        public String ending() {
            return ending;
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
    }
}
