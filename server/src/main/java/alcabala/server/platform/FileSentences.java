package alcabala.server.platform;

import alcabala.formats.csv.CsvProblem;

/// Why a table could not be read from a file.
public final class FileSentences {
    private FileSentences() {}

    public static String of(CsvProblem problem) {
        String column = problem.place().isEmpty() ? "" : ", " + problem.place();
        String where = problem.line() == 0 ? "" : "Row %d%s: ".formatted(problem.line(), column);
        return where
                + switch (problem.code()) {
                    case EMPTY -> "There is nothing in the file.";
                    case ENCODING ->
                        "The file is not UTF-8; it looks like %s. Save it as “CSV UTF-8” or as XLSX."
                                .formatted(problem.found());
                    case SEPARATOR -> "The first row is one column only: “%s”.".formatted(problem.found());
                    case COLUMNS -> "These are not the columns that are expected: %s.".formatted(problem.found());
                    case QUOTES -> "A quotation mark is not closed here.";
                    case CELLS -> "It has not as many cells as the first row (%s).".formatted(problem.found());
                    case SHEET ->
                        "It looks like a workbook, and no sheet of it can be read (%s).".formatted(problem.found());
                    case VALUE ->
                        problem.found().isEmpty()
                                ? "A cell is too long."
                                : "“%s” cannot be what stands here.".formatted(problem.found());
                    case TOO_LARGE ->
                        "The file is too large (%s); at most 20 MB and 500,000 rows are read."
                                .formatted(problem.found());
                };
    }
}
