package alcabala.formats.csv;

/// Why a table could not be used, and where.
///
/// @param line 1-based, 0 when the whole file is meant
/// @param place the column, or empty
/// @param found what stood there
public record CsvProblem(Code code, int line, String place, String found) {
    /// What is wrong with the file.
    public enum Code {
        /// No text at all, or only white space.
        EMPTY,
        /// Not UTF-8; `found` is the encoding it looks like.
        ENCODING,
        /// Its first line is one column only, and none of the separators that are known divides it.
        SEPARATOR,
        /// Its first line does not have the columns of any table that is expected; `found` lists them.
        COLUMNS,
        /// A quotation mark is not closed, or stands where none may.
        QUOTES,
        /// A line has more or fewer cells than the first; `found` counts them.
        CELLS,
        /// It looks like a workbook, and no sheet of it can be read; `found` says why as far as it is known.
        SHEET,
        /// A cell holds what its column cannot take.
        VALUE,
        TOO_LARGE
    }
}
