package alcabala.server.database;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Properties;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.stereotype.Component;

/// Opens connections that are not of the pool.
@Component
public class OwnConnection {
    private static final String PATIENCE_SECONDS = "2";
    private final DataSourceProperties source;

    OwnConnection(DataSourceProperties source) {
        this.source = source;
    }

    /// @param purpose by which the database names it
    /// @param patienceMillis how long an answer may take
    public Connection open(String purpose, int patienceMillis) throws SQLException {
        Properties properties = new Properties();
        properties.setProperty("user", source.determineUsername());
        properties.setProperty("password", source.determinePassword());
        properties.setProperty("ApplicationName", "alcabala " + purpose);
        properties.setProperty("connectTimeout", PATIENCE_SECONDS);
        properties.setProperty("socketTimeout", PATIENCE_SECONDS);
        properties.setProperty("loginTimeout", PATIENCE_SECONDS);
        Connection connection = DriverManager.getConnection(source.determineUrl(), properties);
        connection.setNetworkTimeout(Runnable::run, patienceMillis);
        return connection;
    }
}
