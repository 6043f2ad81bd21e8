package alcabala.server.platform;

import alcabala.connectors.AccessLostException;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.UnreachableException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;

/// One shape for every refusal of the API.
@RestControllerAdvice
class ProblemAdvice {
    private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

    @ExceptionHandler
    ResponseEntity<Refusal> notPossible(NotPossibleException e) {
        return ResponseEntity.status(e.status()).body(new Refusal(e.code(), e.getMessage(), ""));
    }

    @ExceptionHandler
    ResponseEntity<Refusal> shutOut(AccessLostException e) {
        LOG.warn("access lost: {}", e.getMessage());
        return ResponseEntity.status(HttpStatus.BAD_GATEWAY)
                .body(new Refusal(
                        "access-lost",
                        e.system()
                                + " no longer lets Alcabala in. An administrator can connect it again under Connect; nothing was lost.",
                        e.getMessage()));
    }

    @ExceptionHandler
    ResponseEntity<Refusal> unusable(AnswerUnusableException e) {
        LOG.warn("unusable answer: {}", e.getMessage());
        return ResponseEntity.status(HttpStatus.BAD_GATEWAY)
                .body(new Refusal(
                        "answer-unusable",
                        e.system() + " answered what cannot be used: " + e.what() + ". Nothing was changed here.",
                        e.getMessage()));
    }

    @ExceptionHandler
    ResponseEntity<Refusal> unreachable(UnreachableException e) {
        LOG.warn("unreachable: {}", e.getMessage());
        return ResponseEntity.status(HttpStatus.BAD_GATEWAY)
                .body(new Refusal(
                        "unreachable",
                        e.system() + " did not answer. Nothing was lost: try again in a moment.",
                        e.getMessage()));
    }

    @ExceptionHandler(org.springframework.web.multipart.MaxUploadSizeExceededException.class)
    ResponseEntity<Refusal> tooLarge() {
        return ResponseEntity.status(HttpStatus.CONTENT_TOO_LARGE)
                .body(new Refusal("too-large", "A file may have at most 20 MB.", ""));
    }
}
