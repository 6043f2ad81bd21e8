package alcabala.server.news;

import alcabala.server.database.DatabaseWatch;
import alcabala.server.database.OwnConnection;
import alcabala.server.platform.News;
import alcabala.server.platform.Telling;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import org.postgresql.PGConnection;
import org.postgresql.PGNotification;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/// Hears from the database, on a connection of its own, what this and the other servers tell. While it cannot hear,
/// nobody reads here either: browsers then look by themselves until they are let in again.
@Component
class Listening implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(Listening.class);
    private static final int PATIENCE_MILLIS = 2_000;
    private static final int LISTENS_MILLIS = 1_000;
    private static final Duration FIRST_PAUSE = Duration.ofMillis(250);
    private static final Duration LONGEST_PAUSE = Duration.ofSeconds(15);
    private final OwnConnection connection;
    private final DatabaseWatch watch;
    private final Readers readers;
    private final JdbcClient jdbc;
    private final JsonMapper json;
    private volatile Thread thread;
    private Duration pause = FIRST_PAUSE;

    Listening(OwnConnection connection, DatabaseWatch watch, Readers readers, JdbcClient jdbc, JsonMapper json) {
        this.connection = connection;
        this.watch = watch;
        this.readers = readers;
        this.jdbc = jdbc;
        this.json = json;
    }

    @Override
    public void start() {
        thread = Thread.ofPlatform().daemon().name("news").unstarted(this::listenOn);
        thread.start();
    }

    /// Before the server waits for requests to end, which those of readers do not by themselves.
    @Override
    public void stop() {
        Thread ending = thread;
        thread = null;
        ending.interrupt();
        readers.letGo();
    }

    @Override
    public boolean isRunning() {
        return thread != null;
    }

    private void listenOn() {
        while (isRunning()) {
            try {
                listen();
            } catch (SQLException e) {
                LOG.debug("cannot listen for news", e);
            }
            readers.letGo();
            rest();
        }
    }

    private void listen() throws SQLException {
        try (Connection own = connection.open("news", PATIENCE_MILLIS);
                Statement statement = own.createStatement()) {
            statement.execute("listen " + Telling.CHANNEL);
            readers.letIn();
            pause = FIRST_PAUSE;
            while (isRunning() && watch.answers()) {
                for (PGNotification each : own.unwrap(PGConnection.class).getNotifications(LISTENS_MILLIS)) {
                    hear(each.getParameter());
                }
            }
        }
    }

    private void hear(String news) {
        try {
            News heard = json.readValue(news, News.class);
            readers.tell(new Told(heard.topic(), code(heard.route()), heard.ids(), heard.who()));
        } catch (JacksonException | DataAccessException e) {
            LOG.warn("news that cannot be told: {}", e.getMessage());
        }
    }

    private String code(Long route) {
        return route == null
                ? null
                : jdbc.sql("select code from route where id = :id")
                        .param("id", route)
                        .query(String.class)
                        .optional()
                        .orElse(null);
    }

    private void rest() {
        try {
            Thread.sleep(pause);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        pause = pause.multipliedBy(2).compareTo(LONGEST_PAUSE) > 0 ? LONGEST_PAUSE : pause.multipliedBy(2);
    }
}
