package alcabala.server.send;

import alcabala.server.send.Dispatches.Dispatch;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Duration;
import java.util.Optional;
import javax.sql.DataSource;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Sends what is open of a batch, one document after the other. One batch at a time on a route, by a database lock that
/// ends with its connection.
@Component
class BatchRun {
    private static final Duration BUSY = Duration.ofSeconds(1);
    private static final int LOCK_SPACE = 8480;
    private final DataSource dataSource;
    private final JdbcClient jdbc;
    private final Dispatches dispatches;
    private final Sender sender;

    BatchRun(DataSource dataSource, JdbcClient jdbc, Dispatches dispatches, Sender sender) {
        this.dataSource = dataSource;
        this.jdbc = jdbc;
        this.dispatches = dispatches;
        this.sender = sender;
    }

    /// How long to wait before going on; zero when the batch is through.
    Duration run(long batchId) {
        long route = jdbc.sql("select route_id from batch where id = :id")
                .param("id", batchId)
                .query(Long.class)
                .single();
        try (Connection connection = dataSource.getConnection()) {
            if (!call(connection, "select pg_try_advisory_lock(?, ?)", (int) route)) {
                return BUSY;
            }
            try {
                return sendAll(batchId);
            } finally {
                call(connection, "select pg_advisory_unlock(?, ?)", (int) route);
            }
        } catch (SQLException e) {
            throw new DataAccessResourceFailureException("lock of route " + route, e);
        }
    }

    private Duration sendAll(long batchId) {
        Optional<Dispatch> next = dispatches.findNext(batchId);
        while (next.isPresent()) {
            Duration pause = sender.step(next.get());
            if (!pause.isZero()) {
                return pause;
            }
            next = dispatches.findNext(batchId);
        }
        dispatches.finish(batchId);
        return Duration.ZERO;
    }

    private static boolean call(Connection connection, String sql, int route) throws SQLException {
        try (PreparedStatement statement = connection.prepareStatement(sql)) {
            statement.setInt(1, LOCK_SPACE);
            statement.setInt(2, route);
            try (ResultSet row = statement.executeQuery()) {
                return row.next() && row.getBoolean(1);
            }
        }
    }
}
