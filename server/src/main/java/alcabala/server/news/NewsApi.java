package alcabala.server.news;

import alcabala.server.access.Sessions;
import alcabala.server.access.Sight;
import alcabala.server.access.SignedIn;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.NotPossibleException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/// Server-sent events (HTML standard, section 9.2), one stream for each browser. A request is held by a virtual thread
/// as long as it lasts.
@RestController
@RequestMapping("/api/news")
class NewsApi {
    private static final Logger LOG = LoggerFactory.getLogger(NewsApi.class);
    /// How long the end of a session may go unnoticed, and a browser that is gone.
    private static final Duration HEARTBEAT = Duration.ofSeconds(5);
    private final Readers readers;
    private final Sessions sessions;
    private final JdbcClient jdbc;
    private final JsonMapper json;

    NewsApi(Readers readers, Sessions sessions, JdbcClient jdbc, JsonMapper json) {
        this.readers = readers;
        this.sessions = sessions;
        this.jdbc = jdbc;
        this.json = json;
    }

    /// For browsers only: programs that come with a token look when they want to know.
    @GetMapping(produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    void news(@AuthenticationPrincipal SignedIn viewer, HttpServletRequest request, HttpServletResponse response) {
        HttpSession session = request.getSession(false);
        if (session == null) {
            throw NotPossibleException.invalid("news-for-browsers", "News are told to browsers that are signed in.");
        }
        try (Reader reader = readers.open(viewer.signIn())) {
            response.setContentType(MediaType.TEXT_EVENT_STREAM_VALUE);
            response.setHeader("X-Accel-Buffering", "no");
            write(response, ": listening\n\n");
            tell(reader, viewer.sight(), session.getId(), response);
        } catch (IOException e) {
            LOG.debug("a browser is gone: {}", e.getMessage());
        } catch (DataAccessException e) {
            // Half an answer cannot become a refusal; the browser comes back, and is told then.
            LOG.debug("nothing can be told: {}", e.getMessage());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void tell(Reader reader, Sight sight, String session, HttpServletResponse response)
            throws IOException, InterruptedException {
        long beat = System.nanoTime();
        while (!reader.hasEnded()) {
            Optional<Told> next = reader.next(HEARTBEAT).flatMap(told -> asSeen(told, sight));
            if (next.isPresent()) {
                write(response, "data: " + json.writeValueAsString(next.get()) + "\n\n");
            }
            if (System.nanoTime() - beat > HEARTBEAT.toNanos()) {
                if (!sessions.isOpen(session)) {
                    return;
                }
                beat = System.nanoTime();
                write(response, ": still here\n\n");
            }
        }
    }

    /// Operations people hear of documents they may look at, and of nothing else.
    private Optional<Told> asSeen(Told told, Sight sight) {
        if (!sight.isLimited()) {
            return Optional.of(told);
        }
        if (told.topic() != Topic.RECORDS || told.route() == null) {
            return Optional.empty();
        }
        if (told.ids().isEmpty()) {
            return seesRoute(told.route(), sight) ? Optional.of(told) : Optional.empty();
        }
        Set<String> seen = seen(told.ids(), sight);
        return seen.isEmpty() ? Optional.empty() : Optional.of(told.withIds(seen));
    }

    private Set<String> seen(Set<String> ids, Sight sight) {
        List<String> seen = jdbc.sql("select d.id from record d where d.id = any(:ids)" + sight.ofDocuments())
                .param("ids", ids.stream().map(Long::valueOf).toArray(Long[]::new))
                .param("viewer", sight.onlyOf())
                .query(String.class)
                .list();
        return new HashSet<>(seen);
    }

    private boolean seesRoute(String route, Sight sight) {
        return jdbc.sql("select 1 from route r where r.code = :code" + sight.ofRoutes())
                .param("code", route)
                .param("viewer", sight.onlyOf())
                .query(Integer.class)
                .optional()
                .isPresent();
    }

    private static void write(HttpServletResponse response, String text) throws IOException {
        response.getOutputStream().write(text.getBytes(StandardCharsets.UTF_8));
        response.flushBuffer();
    }
}
