package alcabala.server.database;

import jakarta.annotation.PostConstruct;
import jakarta.annotation.PreDestroy;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.stereotype.Component;

/// Asks the database four times a second, on a thread and a connection of its own, whether it answers. As long as it
/// does not, requests are told so at once, and whoever waits for it is let go: within two seconds of the moment that
/// it froze. The threads of the scheduled works would not do, for these may be what waits.
@Component("databaseHealthIndicator")
public class DatabaseWatch implements HealthIndicator {
    private static final Logger LOG = LoggerFactory.getLogger(DatabaseWatch.class);
    private static final int EVERY_MILLIS = 250;
    private static final int PATIENCE_MILLIS = 1250;
    private final OwnConnection connection;
    private final OpenConnections connections;
    private final ScheduledExecutorService thread = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().daemon().name("database-watch").factory());
    private volatile boolean answers = true;
    private Connection own;
    private boolean isCut;

    DatabaseWatch(OwnConnection connection, OpenConnections connections) {
        this.connection = connection;
        this.connections = connections;
    }

    public boolean answers() {
        return answers;
    }

    @Override
    public Health health() {
        return answers ? Health.up().build() : Health.down().build();
    }

    @PostConstruct
    void begin() {
        thread.scheduleWithFixedDelay(this::look, EVERY_MILLIS, EVERY_MILLIS, TimeUnit.MILLISECONDS);
    }

    private void look() {
        try {
            tell(ask());
        } catch (RuntimeException e) {
            // An executor drops for good what threw once.
            LOG.error("the database could not be looked at", e);
        }
    }

    private void tell(boolean now) {
        if (now != answers) {
            LOG.warn(now ? "the database answers again" : "the database does not answer");
        }
        if (now && isCut) {
            connections.renew();
            isCut = false;
        }
        answers = now;
        if (now) {
            connections.letIn();
        } else {
            connections.letGo();
        }
    }

    /// A connection that was cut says nothing yet about a new one; one that is silent does.
    private boolean ask() {
        long before = System.nanoTime();
        boolean had = own != null;
        if (had && askOnce()) {
            return true;
        }
        isCut |= had;
        boolean wasSilent = System.nanoTime() - before > TimeUnit.MILLISECONDS.toNanos(PATIENCE_MILLIS) / 2;
        return !wasSilent && open() && askOnce();
    }

    private boolean askOnce() {
        try (Statement statement = own.createStatement()) {
            return statement.execute("select 1");
        } catch (SQLException e) {
            close();
            return false;
        }
    }

    private boolean open() {
        try {
            own = connection.open("watch", PATIENCE_MILLIS);
            return true;
        } catch (SQLException e) {
            close();
            return false;
        }
    }

    @PreDestroy
    void finish() {
        thread.shutdownNow();
        close();
    }

    private void close() {
        if (own != null) {
            try {
                own.abort(Runnable::run);
            } catch (SQLException e) {
                LOG.debug("it was gone already", e);
            }
            own = null;
        }
    }
}
