package alcabala.server.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.HexFormat;
import java.util.Optional;
import java.util.concurrent.ThreadLocalRandom;
import org.slf4j.MDC;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/// Gives every request a name, which stands in the answer and on every line of the log that it causes.
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class RequestIds extends OncePerRequestFilter {
    private static final String NAME = "request";
    private static final int BYTES = 6;

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        byte[] bytes = new byte[BYTES];
        ThreadLocalRandom.current().nextBytes(bytes);
        String id = HexFormat.of().formatHex(bytes);
        MDC.put(NAME, id);
        response.setHeader("X-Request-Id", id);
        try {
            chain.doFilter(request, response);
        } finally {
            MDC.remove(NAME);
        }
    }

    /// Of the request that is being answered; empty outside of one.
    static Optional<String> find() {
        return Optional.ofNullable(MDC.get(NAME));
    }
}
