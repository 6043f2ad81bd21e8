package alcabala.formats.layout;

import alcabala.formats.ubl.writing.Missing;
import java.util.List;

/// A batch as files.
///
/// @param places where each record stands, in the order in which they were given
/// @param formulas texts that a spreadsheet would take for formulas; they stand there as they are, since an importer
/// reads
/// them so
/// @param gaps what invoices lack that their standard asks for
public record Written(List<File> files, List<Place> places, List<Formula> formulas, List<Gap> gaps) {
    public record File(String name, byte[] content) {}

    /// Rows of the first file that has any of the record, from 1, the heading row among them; of an invoice the file
    /// itself.
    public record Place(String reference, String file, int first, int last) {}

    public record Gap(String reference, Missing missing) {}

    public record Formula(String file, int row, String heading, String text) {}
}
