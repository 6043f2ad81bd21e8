package alcabala.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/// Signs one request in by its access token. A wrong token is a 401, not a fall back to the session.
class BearerFilter extends OncePerRequestFilter {
    private static final String PREFIX = "Bearer ";
    private final AccessTokens tokens;

    BearerFilter(AccessTokens tokens) {
        this.tokens = tokens;
    }

    static boolean hasToken(HttpServletRequest request) {
        String header = request.getHeader("Authorization");
        return header != null && header.startsWith(PREFIX);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (hasToken(request)) {
            Optional<AccessTokens.Bearer> bearer =
                    tokens.find(request.getHeader("Authorization").substring(PREFIX.length()));
            if (bearer.isEmpty()) {
                AccessConfiguration.refuse(response, 401, "token-wrong", "The access token is wrong or has expired.");
                return;
            }
            if (bearer.get().readsOnly() && !request.getMethod().equals("GET")) {
                AccessConfiguration.refuse(response, 403, "token-reads-only", "This access token may only read.");
                return;
            }
            SecurityContext context = SecurityContextHolder.createEmptyContext();
            context.setAuthentication(
                    AccessConfiguration.authentication(bearer.get().person()));
            SecurityContextHolder.setContext(context);
        }
        chain.doFilter(request, response);
    }
}
