package standins;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;
import standins.consent.Consents;
import standins.touched.Hands;

/// Asks for the bearer key, then does what the fault switch says.
@Component
class ApiFilter extends OncePerRequestFilter {
    private static final int LIMIT = 10;
    private final Faults faults;
    private final Duration window;
    private final Map<String, String> keys;
    private final Consents consents;
    private final Map<String, Deque<Long>> recent = new ConcurrentHashMap<>();

    ApiFilter(
            Faults faults,
            Consents consents,
            @Value("${standins.hullwork-key}") String hullwork,
            @Value("${standins.inkwell-key}") String inkwell,
            @Value("${standins.storeloft-key}") String storeloft,
            @Value("${standins.refitline-key}") String refitline,
            @Value("${standins.limit-window}") Duration window) {
        this.window = window;
        this.faults = faults;
        this.consents = consents;
        this.keys = Map.of("hullwork", hullwork, "inkwell", inkwell, "storeloft", storeloft, "refitline", refitline);
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getRequestURI().matches("/(hullwork|inkwell|storeloft|refitline)/api/.*");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String system = request.getRequestURI().split("/")[1];
        Optional<String> program = program(system, request);
        if (program.isEmpty()) {
            refuse(response, 401, "key-wrong", "The access key or token is missing, wrong, or past its time.");
            return;
        }
        request.setAttribute(Hands.PROGRAM, program.get());
        Fault fault = faults.take(system, request.getMethod(), request.getRequestURI());
        switch (fault) {
            case NONE, BAD_RECORDS -> chain.doFilter(request, response);
            case SLOW -> {
                pause();
                chain.doFilter(request, response);
            }
            case UNAVAILABLE -> refuse(response, 503, "unavailable", "The service is down for maintenance.");
            case REQUEST_LIMIT -> limit(system, request, response, chain);
            case ANSWER_LOST, ANSWER_LOST_THEN_DOWN -> loseAnswer(request, response, chain);
            case SERVER_ERROR, HTML_PAGE, REDIRECT -> OddAnswers.instead(fault, response);
            case EMPTY_ANSWER, UNREADABLE_ANSWER, HUGE_ANSWER, SLOW_ANSWER -> {
                chain.doFilter(request, new ContentCachingResponseWrapper(response));
                OddAnswers.after(fault, response);
            }
        }
    }

    private static boolean isKeyRight(HttpServletRequest request, String key) {
        String header = String.valueOf(request.getHeader("Authorization"));
        return MessageDigest.isEqual(
                header.getBytes(StandardCharsets.UTF_8), ("Bearer " + key).getBytes(StandardCharsets.UTF_8));
    }

    /// What asks, by what it is let in as; empty for what is not let in. Inkwell lets in who has a consent for what the
    /// request does.
    private Optional<String> program(String system, HttpServletRequest request) {
        if (isKeyRight(request, keys.get(system))) {
            return Optional.of("the key of " + system);
        }
        if (!system.equals("inkwell")) {
            return Optional.empty();
        }
        String needed = request.getMethod().equals("GET") ? "books.read" : "books.write";
        String token = String.valueOf(request.getHeader("Authorization")).replaceFirst("^Bearer ", "");
        return consents.find(token)
                .filter(grant -> grant.scopes().contains(needed))
                .map(Consents.Grant::program);
    }

    private void limit(String system, HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Deque<Long> times = recent.computeIfAbsent(system, s -> new ArrayDeque<>());
        synchronized (times) {
            long now = System.currentTimeMillis();
            times.removeIf(time -> time < now - window.toMillis());
            if (times.size() >= LIMIT) {
                response.setHeader("Retry-After", String.valueOf(Math.max(1, window.toSeconds() / 5)));
                refuse(response, 429, "request-limit", "More than ten requests in " + window.toSeconds() + " seconds.");
                return;
            }
            times.add(now);
        }
        chain.doFilter(request, response);
    }

    /// The promised length never comes, so the connector breaks the connection off.
    private static void loseAnswer(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        chain.doFilter(request, new ContentCachingResponseWrapper(response));
        response.setContentLength(4096);
        response.getOutputStream().write(' ');
        response.flushBuffer();
        throw new IOException("answer lost on purpose");
    }

    private static void refuse(HttpServletResponse response, int status, String code, String sentence)
            throws IOException {
        response.setStatus(status);
        response.setContentType("application/json");
        response.getWriter().write("{\"code\":\"" + code + "\",\"sentence\":\"" + sentence + "\"}");
    }

    private static void pause() {
        try {
            Thread.sleep(3000);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
