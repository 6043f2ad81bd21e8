package standins.inkwell;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import standins.StandinsApplication;

/// The stand-ins on a database of their own, which goes when it is closed.
final class OwnInkwell implements AutoCloseable {
    private final String database = "inkwell_" + System.nanoTime();
    private final ConfigurableApplicationContext context;

    OwnInkwell() throws SQLException {
        execute("create database " + database);
        context = SpringApplication.run(
                StandinsApplication.class,
                "--server.port=0",
                "--standins.smtp-port=0",
                "--spring.datasource.url=" + System.getenv("ALCABALA_TEST_DB") + database);
    }

    <T> T part(Class<T> type) {
        return context.getBean(type);
    }

    private static void execute(String sql) throws SQLException {
        try (Connection connection = DriverManager.getConnection(
                        System.getenv("ALCABALA_TEST_DB") + "postgres", "postgres", System.getenv("PGPASSWORD"));
                var statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }

    @Override
    public void close() throws SQLException {
        context.close();
        execute("drop database " + database + " with (force)");
    }
}
