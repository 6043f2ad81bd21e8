package alcabala.server.access;

import alcabala.server.platform.Problem;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/// Says how long somebody has to wait who guessed too often.
final class PauseAnswer {
    private PauseAnswer() {}

    static ResponseEntity<Problem> of(SigningIn.PauseException e) {
        long seconds = Math.max(1, e.pause().toSeconds());
        return ResponseEntity.status(HttpStatus.TOO_MANY_REQUESTS)
                .header(HttpHeaders.RETRY_AFTER, String.valueOf(seconds))
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(Problem.of(
                        HttpStatus.TOO_MANY_REQUESTS,
                        "pause",
                        "Too many failed attempts. Try again in " + seconds + " seconds."));
    }
}
