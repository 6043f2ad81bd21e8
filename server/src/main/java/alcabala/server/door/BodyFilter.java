package alcabala.server.door;

import alcabala.server.platform.Problem;
import alcabala.server.platform.Problems;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.util.Locale;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.web.filter.OncePerRequestFilter;

/// Measures the body of a request before anything reads it, and reads it within a time: little from strangers, more
/// from who is signed in, files apart. Stands behind the question who may, so that a body nobody asked for is not
/// read at all.
public final class BodyFilter extends OncePerRequestFilter {
    private static final Set<String> FILES = Set.of(
            "/api/intake", "/api/map/bulk/file", "/api/batches/own-list", "/api/layouts/example", "/api/cut-over/file");
    private static final int KILOBYTE = 1024;
    private static final int OF_STRANGERS = 64 * KILOBYTE;
    private static final int OF_PEOPLE = 1024 * KILOBYTE;
    private static final long OF_FILES = 200L * KILOBYTE * KILOBYTE;
    private static final Duration TIME = Duration.ofSeconds(10);
    private static final Duration TIME_FOR_FILES = Duration.ofMinutes(5);
    private static final int CHUNK = 8 * KILOBYTE;

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return request.getContentLengthLong() <= 0 && request.getHeader("Transfer-Encoding") == null;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean files = isOfFiles(request);
        long most = files ? OF_FILES : request.getUserPrincipal() == null ? OF_STRANGERS : OF_PEOPLE;
        if (request.getContentLengthLong() > most) {
            refuse(
                    response,
                    HttpStatus.CONTENT_TOO_LARGE,
                    "too-large",
                    "This is larger than the " + said(most) + " taken here.");
        } else if (files) {
            chain.doFilter(new HurriedRequest(request, most, TIME_FOR_FILES), response);
        } else {
            chainWithBody(request, response, chain, (int) most);
        }
    }

    /// Documents and lists may be large; signed-in people only.
    private static boolean isOfFiles(HttpServletRequest request) {
        String path = request.getRequestURI();
        boolean takes = FILES.contains(path)
                || path.matches("/api/connect/ledgers/\\d+/lists")
                || path.matches("/api/batches/\\d+/answers");
        return takes && request.getMethod().equals("POST") && request.getUserPrincipal() != null;
    }

    private static void chainWithBody(
            HttpServletRequest request, HttpServletResponse response, FilterChain chain, int most)
            throws ServletException, IOException {
        byte[] body;
        try {
            body = read(request.getInputStream(), most);
        } catch (TooSlowException e) {
            refuse(response, HttpStatus.REQUEST_TIMEOUT, "too-slow", "The request did not arrive in time.");
            return;
        } catch (IOException e) {
            // Whoever broke off does not hear it any more.
            refuse(response, HttpStatus.BAD_REQUEST, "broken-off", "The request did not arrive whole.");
            return;
        }
        if (body.length > most) {
            refuse(
                    response,
                    HttpStatus.CONTENT_TOO_LARGE,
                    "too-large",
                    "This is larger than the " + said(most) + " taken here.");
            return;
        }
        chain.doFilter(new ReadRequest(request, body), response);
    }

    /// One byte more than allowed at the most.
    private static byte[] read(InputStream in, int most) throws IOException {
        long end = System.nanoTime() + TIME.toNanos();
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        byte[] chunk = new byte[CHUNK];
        int count = in.read(chunk);
        while (count >= 0 && body.size() <= most) {
            body.write(chunk, 0, Math.min(count, most + 1 - body.size()));
            if (System.nanoTime() - end > 0) {
                throw new TooSlowException();
            }
            count = body.size() <= most ? in.read(chunk) : -1;
        }
        return body.toByteArray();
    }

    private static String said(long bytes) {
        long kilobytes = bytes / KILOBYTE;
        return kilobytes < KILOBYTE
                ? String.format(Locale.ROOT, "%d KB", kilobytes)
                : String.format(Locale.ROOT, "%d MB", kilobytes / KILOBYTE);
    }

    private static void refuse(HttpServletResponse response, HttpStatus status, String code, String sentence)
            throws IOException {
        response.setHeader("Connection", "close");
        Problems.write(response, Problem.of(status, code, sentence));
    }
}
