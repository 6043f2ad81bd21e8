package alcabala.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.springframework.http.server.PathContainer;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.pattern.PathPattern;
import org.springframework.web.util.pattern.PathPatternParser;

/// Signs one request in by its access token. A wrong token is a 401, not a fall back to the session.
class BearerFilter extends OncePerRequestFilter {
    private static final String PREFIX = "Bearer ";
    /// What is about one route, and asks which.
    private static final List<PathPattern> OF_A_ROUTE = List.of(
                    "/api/documents/**",
                    "/api/summary",
                    "/api/routes",
                    "/api/intake",
                    "/api/pull",
                    "/api/batches/**",
                    "/api/work/*",
                    "/api/map/{kind}",
                    "/api/session")
            .stream()
            .map(PathPatternParser.defaultInstance::parse)
            .toList();
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
        if (!hasToken(request)) {
            chain.doFilter(request, response);
            return;
        }
        Optional<AccessTokens.Bearer> bearer =
                tokens.find(request.getHeader("Authorization").substring(PREFIX.length()));
        if (bearer.isEmpty()) {
            AccessConfiguration.refuse(response, 401, "token-wrong", "The access token is wrong or has expired.");
        } else if (!bearer.get().may(request.getMethod(), request.getRequestURI())) {
            AccessConfiguration.refuse(response, 403, "token-purpose", "This access token was not made for that.");
        } else if (!bearer.get().route().isEmpty() && !isOfARoute(request)) {
            AccessConfiguration.refuse(
                    response,
                    403,
                    "token-other-route",
                    "This access token is for one route only, and this is about more.");
        } else {
            pass(bearer.get(), request, response, chain);
        }
    }

    private static boolean isOfARoute(HttpServletRequest request) {
        PathContainer path = PathContainer.parsePath(request.getRequestURI());
        return OF_A_ROUTE.stream().anyMatch(each -> each.matches(path));
    }

    private static void pass(
            AccessTokens.Bearer bearer, HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(AccessConfiguration.authentication(bearer.person()));
        SecurityContextHolder.setContext(context);
        try {
            if (!bearer.route().isEmpty()) {
                RouteScope.limitTo(bearer.route());
            }
            chain.doFilter(request, response);
        } finally {
            RouteScope.end();
        }
    }
}
