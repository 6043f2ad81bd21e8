package alcabala.server.door;

import alcabala.server.platform.Problem;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ErrorReportValve;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import tools.jackson.databind.json.JsonMapper;

/// What the container refuses before any of our own code sees it, such as an address that cannot be decoded, has the
/// same shape as every other refusal.
public class RefusedEarly extends ErrorReportValve {
    private static final Logger LOG = LoggerFactory.getLogger(RefusedEarly.class);
    private static final JsonMapper JSON = new JsonMapper();

    @Override
    protected void report(Request request, Response response, Throwable thrown) {
        int code = response.getStatus();
        if (code < HttpStatus.BAD_REQUEST.value() || response.getContentWritten() > 0 || !response.setErrorReported()) {
            return;
        }
        if (thrown != null) {
            LOG.error("outside our own code", thrown);
        }
        boolean ours = code >= HttpStatus.INTERNAL_SERVER_ERROR.value();
        Problem problem = Problem.of(
                HttpStatus.valueOf(code),
                ours ? "failed" : "rejected",
                ours
                        ? "Alcabala itself failed; nothing was changed. What happened is in its log."
                        : "The request is not in a form that is taken here.");
        try {
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            response.setCharacterEncoding(StandardCharsets.UTF_8.name());
            response.getOutputStream().write(JSON.writeValueAsBytes(problem));
            response.finishResponse();
        } catch (IOException | IllegalStateException e) {
            LOG.debug("whoever asked does not hear it any more", e);
        }
    }
}
