package alcabala.server.platform;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import javax.sql.DataSource;
import org.postgresql.PGConnection;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.jdbc.datasource.DataSourceUtils;

/// Sends rows on the connection of the running transaction, one table after the other, while its user prepares the
/// next. The connection must not be used for anything else until this is closed.
public final class CopyAhead implements AutoCloseable {
    private final DataSource dataSource;
    private final Connection connection;
    private final ExecutorService sender =
            Executors.newSingleThreadExecutor(Thread.ofVirtual().factory());
    private final List<Future<?>> sent = new ArrayList<>();

    private CopyAhead(DataSource dataSource) {
        this.dataSource = dataSource;
        this.connection = DataSourceUtils.getConnection(dataSource);
    }

    public static CopyAhead on(DataSource dataSource) {
        return new CopyAhead(dataSource);
    }

    /// @param into the table with its columns, such as `finding (record_id, cause)`
    public void send(Copy rows, String into) {
        if (!rows.isEmpty()) {
            sent.add(sender.submit(() -> copy(rows.bytes(), into)));
        }
    }

    private void copy(byte[] rows, String into) {
        try {
            connection
                    .unwrap(PGConnection.class)
                    .getCopyAPI()
                    .copyIn("copy " + into + " from stdin", new ByteArrayInputStream(rows));
        } catch (SQLException | IOException e) {
            throw new DataAccessResourceFailureException("copying into " + into, e);
        }
    }

    /// Waits until all is sent.
    ///
    /// @throws DataAccessResourceFailureException when one could not be; those after it were not then either
    @Override
    public void close() {
        sender.close();
        DataSourceUtils.releaseConnection(connection, dataSource);
        sent.forEach(CopyAhead::requireSent);
    }

    private static void requireSent(Future<?> one) {
        try {
            one.get();
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException known ? known : new IllegalStateException(e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted while rows were being sent", e);
        }
    }
}
