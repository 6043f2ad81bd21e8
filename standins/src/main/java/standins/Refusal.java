package standins;

import org.springframework.http.HttpStatus;

/// A no, with its status, a code and a sentence.
public final class Refusal extends RuntimeException {
    private final HttpStatus status;
    private final String code;

    public Refusal(HttpStatus status, String code, String sentence) {
        super(sentence);
        this.status = status;
        this.code = code;
    }

    public static Refusal unprocessable(String code, String sentence) {
        return new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, code, sentence);
    }

    public static Refusal notFound(String what) {
        return new Refusal(HttpStatus.NOT_FOUND, "not-found", "There is no " + what + ".");
    }

    public HttpStatus status() {
        return status;
    }

    public String code() {
        return code;
    }
}
