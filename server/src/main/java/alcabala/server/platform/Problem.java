package alcabala.server.platform;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.Map;
import org.springframework.http.HttpStatus;

/// What went wrong (RFC 9457). Every error of the API has this shape.
///
/// @param type names the kind of problem for good, such as `urn:alcabala:nothing-to-send`
/// @param title the sentence, for whoever knows the RFC only
/// @param status of HTTP
/// @param code the end of the type
/// @param sentence what happened, why and what to do, in the bookkeeper's words
/// @param detail for the technically minded; may be empty
/// @param fields what is wrong with each field of the request that it is about, as a sentence; empty where it is about
/// none
@JsonInclude(JsonInclude.Include.ALWAYS)
public record Problem(
        String type,
        String title,
        int status,
        String code,
        String sentence,
        String detail,
        Map<String, String> fields) {
    public Problem {
        fields = fields == null ? Map.of() : fields;
    }

    public static Problem of(HttpStatus status, String code, String sentence, String detail) {
        return new Problem(
                "urn:alcabala:" + code,
                sentence,
                status.value(),
                code,
                sentence,
                detail == null ? "" : detail,
                Map.of());
    }

    Problem about(Map<String, String> those) {
        return new Problem(type, title, status, code, sentence, detail, those);
    }

    /// Said wherever it comes up, with the same words.
    public static Problem databaseGone() {
        return of(
                HttpStatus.SERVICE_UNAVAILABLE,
                "database",
                "The database does not answer at the moment. Nothing was lost: try again in a moment.");
    }

    public static Problem of(HttpStatus status, String code, String sentence) {
        return of(status, code, sentence, "");
    }
}
