package alcabala.server.door;

import alcabala.server.platform.Problem;
import alcabala.server.platform.Problems;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/// Refuses addresses that hold what is no character, or are absurdly long, before anybody looks for it.
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class FitParameters extends OncePerRequestFilter {
    private static final int LONGEST = 8000;
    /// What stands for bytes that are no UTF-8.
    private static final char UNDECODABLE = '\ufffd';

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (isFit(request.getRequestURI()) && isFit(request.getQueryString())) {
            chain.doFilter(request, response);
        } else {
            Problems.write(
                    response,
                    Problem.of(HttpStatus.BAD_REQUEST, "unfit", "The address holds something that is no character."));
        }
    }

    private static boolean isFit(String encoded) {
        if (encoded == null) {
            return true;
        }
        if (encoded.length() > LONGEST) {
            return false;
        }
        try {
            String text = URLDecoder.decode(encoded, StandardCharsets.UTF_8);
            return FitText.isFit(text) && text.indexOf(UNDECODABLE) < 0;
        } catch (IllegalArgumentException e) {
            return false;
        }
    }
}
