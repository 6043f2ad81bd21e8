package standins;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;

/// What comes back when it is no answer.
final class OddAnswers {
    private static final int MEGABYTES = 64;
    private static final int LETTERS = 60;

    private OddAnswers() {}

    /// Nothing was done.
    static void instead(Fault fault, HttpServletResponse response) throws IOException {
        switch (fault) {
            case SERVER_ERROR -> {
                response.setStatus(500);
                write(response, "text/plain", "Something went wrong here.");
            }
            case REDIRECT -> {
                response.setStatus(302);
                response.setHeader("Location", "/");
            }
            default -> write(response, "text/html", "<!doctype html><title>Down</title><p>We are back at nine.</p>");
        }
    }

    /// The work was done.
    static void after(Fault fault, HttpServletResponse response) throws IOException {
        switch (fault) {
            case HUGE_ANSWER -> {
                byte[] megabyte = new byte[1024 * 1024];
                Arrays.fill(megabyte, (byte) ' ');
                for (int i = 0; i < MEGABYTES; i++) {
                    response.getOutputStream().write(megabyte);
                }
            }
            case SLOW_ANSWER -> trickle(response);
            case UNREADABLE_ANSWER -> write(response, "application/json", "{\"id\":\"IN-");
            default -> response.flushBuffer();
        }
    }

    private static void trickle(HttpServletResponse response) throws IOException {
        try {
            for (int i = 0; i < LETTERS; i++) {
                response.getOutputStream().write(' ');
                response.flushBuffer();
                Thread.sleep(1000);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static void write(HttpServletResponse response, String type, String text) throws IOException {
        response.setContentType(type);
        response.getOutputStream().write(text.getBytes(StandardCharsets.UTF_8));
    }
}
