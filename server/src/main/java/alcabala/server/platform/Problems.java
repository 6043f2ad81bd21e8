package alcabala.server.platform;

import alcabala.connectors.AccessLostException;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.SaidNoException;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.spi.CannotException;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.NonTransientDataAccessResourceException;
import org.springframework.dao.QueryTimeoutException;
import org.springframework.dao.RecoverableDataAccessException;
import org.springframework.dao.TransientDataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.transaction.TransactionException;
import tools.jackson.databind.json.JsonMapper;

/// What is said of an exception, wherever it comes out.
public final class Problems {
    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);
    private static final JsonMapper JSON = new JsonMapper();

    private Problems() {}

    public static Problem of(Throwable e) {
        return switch (e) {
            case NotPossibleException no ->
                Problem.of(no.status(), no.code(), no.getMessage())
                        .about(no.field().isEmpty() ? Map.of() : Map.of(no.field(), no.getMessage()));
            case SaidNoException no ->
                Problem.of(HttpStatus.CONFLICT, "said-no", no.system() + " said: " + no.sentence());
            case CannotException cannot ->
                Problem.of(
                        HttpStatus.UNPROCESSABLE_CONTENT,
                        "cannot",
                        cannot.system() + " cannot be asked for that; systems of its kind do not offer it.",
                        cannot.getMessage());
            case UnreachableException out -> outside(out);
            case TransactionException gone -> database(gone);
            case DataAccessException data -> data(data);
            default -> unexpected(e);
        };
    }

    private static Problem outside(UnreachableException e) {
        LOG.warn("outside: {}", e.getMessage());
        return switch (e) {
            case AccessLostException lost ->
                Problem.of(
                        HttpStatus.BAD_GATEWAY,
                        "access-lost",
                        lost.system()
                                + " no longer lets Alcabala in. An administrator can connect it again under Connect; nothing was lost.",
                        lost.getMessage());
            case AnswerUnusableException unusable ->
                Problem.of(
                        HttpStatus.BAD_GATEWAY,
                        "answer-unusable",
                        unusable.system() + " answered what cannot be used: " + unusable.what()
                                + ". Nothing was changed here.",
                        unusable.getMessage());
            default ->
                Problem.of(
                        HttpStatus.BAD_GATEWAY,
                        "unreachable",
                        e.system() + " did not answer. Nothing was lost: try again in a moment.",
                        e.getMessage());
        };
    }

    private static Problem data(DataAccessException e) {
        boolean gone = e instanceof TransientDataAccessException
                || e instanceof RecoverableDataAccessException
                || e instanceof NonTransientDataAccessResourceException
                || e instanceof QueryTimeoutException;
        if (gone) {
            return database(e);
        }
        // SQLSTATE class 22: what was sent is no value that can be kept.
        if (e.getRootCause() instanceof SQLException sql
                && String.valueOf(sql.getSQLState()).startsWith("22")) {
            LOG.warn("unfit: {}", sql.getMessage());
            return Problem.of(
                    HttpStatus.BAD_REQUEST, "unfit", "Something in the request cannot be kept or looked for.");
        }
        return unexpected(e);
    }

    static Problem database(Throwable e) {
        LOG.warn("database: {}", e.getMessage());
        return Problem.databaseGone();
    }

    private static Problem unexpected(Throwable e) {
        LOG.error("unexpected", e);
        return Problem.of(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "failed",
                "Alcabala itself failed; nothing was changed. What happened is in its log.",
                e.getClass().getSimpleName()
                        + RequestIds.find().map(id -> ", request " + id).orElse(""));
    }

    /// For what goes wrong before or behind the controllers.
    public static void write(HttpServletResponse response, Problem problem) throws IOException {
        if (response.isCommitted()) {
            return;
        }
        response.resetBuffer();
        response.setStatus(problem.status());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        response.getOutputStream().write(JSON.writeValueAsBytes(problem));
    }
}
