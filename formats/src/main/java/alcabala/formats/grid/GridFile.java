package alcabala.formats.grid;

import alcabala.formats.csv.CsvProblem;
import java.util.List;

/// All sheets of a file that can be seen.
///
/// @param encoding of a text file where it had to be guessed; empty where it is certain
public record GridFile(List<Grid> sheets, String encoding) {
    static final int LARGEST = 20 * 1024 * 1024;
    static final int MOST_ROWS = 100_000;
    static final int MOST_COLUMNS = 200;
    static final int LONGEST_CELL = 32_767;

    /// What reading gave.
    public sealed interface Outcome {
        record Read(GridFile file) implements Outcome {}

        record Unreadable(CsvProblem problem) implements Outcome {}
    }

    /// CSV or XLSX, told apart by how it begins, whatever it is called. Never throws for bad input.
    public static Outcome read(byte[] content) {
        if (content.length > LARGEST) {
            return problem(CsvProblem.Code.TOO_LARGE, 0, content.length + " bytes");
        }
        if (content.length > 1 && content[0] == 'P' && content[1] == 'K') {
            return WorkbookGrid.read(content);
        }
        if (content.length > 3 && content[0] == (byte) 0xD0 && content[1] == (byte) 0xCF) {
            return problem(CsvProblem.Code.SHEET, 0, "it is of the older kind, .xls");
        }
        return TextGrid.read(content);
    }

    static Outcome problem(CsvProblem.Code code, int line, String found) {
        return new Outcome.Unreadable(new CsvProblem(code, line, "", found));
    }
}
