package alcabala.formats;

/// Why a file could not be read, and where.
///
/// @param line 1-based, 0 when the whole file is meant
public record Problem(Code code, int line, int column, String detail) {
    /// What is wrong with the file.
    public enum Code {
        NOT_XML,
        TRUNCATED,
        DOCTYPE,
        TOO_LARGE,
        NOT_UBL,
        OTHER_DOCUMENT_TYPE,
        INVALID,
        /// More of something than a document can have.
        BEYOND_LIMITS
    }

    static Problem whole(Code code, String detail) {
        return new Problem(code, 0, 0, detail);
    }

    public static Problem tooLarge(long bytes, long limit) {
        return whole(Code.TOO_LARGE, bytes + " of at most " + limit + " bytes");
    }
}
