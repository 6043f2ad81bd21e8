package alcabala.server.database;

import alcabala.server.platform.Problem;
import alcabala.server.platform.Problems;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.filter.OncePerRequestFilter;

/// While the database does not answer, whoever asks for something of it is told so without waiting. The screens are
/// files, and come all the same.
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 20)
class OutOfReach extends OncePerRequestFilter {
    private final DatabaseWatch watch;

    OutOfReach(DatabaseWatch watch) {
        this.watch = watch;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getRequestURI().startsWith("/api/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!watch.answers()) {
            refuse(response, Problem.databaseGone());
            return;
        }
        try {
            chain.doFilter(request, response);
        } catch (DataAccessException | TransactionException e) {
            // Of the session, which is looked for before any of our own code is reached.
            refuse(response, Problems.of(e));
        }
    }

    private static void refuse(HttpServletResponse response, Problem problem) throws IOException {
        response.setHeader(HttpHeaders.RETRY_AFTER, "2");
        Problems.write(response, problem);
    }
}
