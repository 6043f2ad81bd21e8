package alcabala.server.access;

import alcabala.server.platform.Writing;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/// Sentences are written as whoever asks writes. Stands behind the question who may.
class WritingFilter extends OncePerRequestFilter {
    private final OwnConventions conventions;

    WritingFilter(OwnConventions conventions) {
        this.conventions = conventions;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getRequestURI().startsWith("/api/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (who == null || !(who.getPrincipal() instanceof SignedIn person)) {
            chain.doFilter(request, response);
            return;
        }
        try (Writing.Scope _ = Writing.as(conventions.of(person.id()))) {
            chain.doFilter(request, response);
        }
    }
}
