package alcabala.server.platform;

import org.springframework.http.HttpStatus;

/// Something that cannot be done as asked, with a sentence for the person who asked.
public final class NotPossibleException extends RuntimeException {
    private final HttpStatus status;
    private final String code;
    private final String field;

    public NotPossibleException(HttpStatus status, String code, String sentence) {
        this(status, code, sentence, "");
    }

    private NotPossibleException(HttpStatus status, String code, String sentence, String field) {
        super(sentence);
        this.status = status;
        this.code = code;
        this.field = field;
    }

    /// The same, about one field of what was asked.
    public NotPossibleException at(String name) {
        return new NotPossibleException(status, code, getMessage(), name);
    }

    /// Empty when it is about none.
    public String field() {
        return field;
    }

    public static NotPossibleException invalid(String code, String sentence) {
        return new NotPossibleException(HttpStatus.UNPROCESSABLE_CONTENT, code, sentence);
    }

    public static NotPossibleException conflict(String code, String sentence) {
        return new NotPossibleException(HttpStatus.CONFLICT, code, sentence);
    }

    public static NotPossibleException missing(String what) {
        return new NotPossibleException(HttpStatus.NOT_FOUND, "not-found", "There is no " + what + ".");
    }

    public HttpStatus status() {
        return status;
    }

    public String code() {
        return code;
    }
}
