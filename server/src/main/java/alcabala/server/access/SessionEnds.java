package alcabala.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.springframework.web.filter.OncePerRequestFilter;

/// A session ends after a time, however much it is used.
class SessionEnds extends OncePerRequestFilter {
    private final Duration lasts;
    private final Clock clock;

    SessionEnds(Duration lasts, Clock clock) {
        this.lasts = lasts;
        this.clock = clock;
    }

    /// Files are the same for everybody, and are not asked for on behalf of a session.
    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getRequestURI().startsWith("/api/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        HttpSession session = request.getSession(false);
        if (session != null && isOver(session)) {
            session.invalidate();
        }
        chain.doFilter(request, response);
    }

    private boolean isOver(HttpSession session) {
        return Instant.ofEpochMilli(session.getCreationTime()).plus(lasts).isBefore(clock.instant());
    }
}
