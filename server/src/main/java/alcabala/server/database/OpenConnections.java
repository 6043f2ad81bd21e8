package alcabala.server.database;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.Set;
import java.util.WeakHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.jdbc.datasource.AbstractDataSource;
import org.springframework.jdbc.datasource.DelegatingDataSource;
import org.springframework.stereotype.Component;

/// Knows every connection that the pool has opened, so that those can be let go that wait for a database which will not
/// answer: a query that was sent to a frozen host would else be waited for until the socket's own limit. Until it
/// answers again nobody is given one, since who was let go would only begin to wait once more.
@Component
class OpenConnections implements BeanPostProcessor {
    private static final Logger LOG = LoggerFactory.getLogger(OpenConnections.class);
    private final Set<Connection> open = Collections.synchronizedSet(Collections.newSetFromMap(new WeakHashMap<>()));
    private final List<HikariDataSource> pools = new CopyOnWriteArrayList<>();
    private volatile boolean shut;

    @Override
    public Object postProcessBeforeInitialization(Object bean, String name) {
        if (bean instanceof HikariDataSource pool && pool.getDataSource() == null) {
            pool.setDataSource(new Physical(pool.getJdbcUrl(), pool.getDataSourceProperties()));
            pools.add(pool);
        }
        return bean;
    }

    @Override
    public Object postProcessAfterInitialization(Object bean, String name) {
        return bean instanceof HikariDataSource pool ? new Door(pool) : bean;
    }

    void letIn() {
        shut = false;
    }

    /// One that was used a moment ago is given out unseen, and may have been cut since: no one from before is given out
    /// any more.
    void renew() {
        for (HikariDataSource pool : pools) {
            if (pool.getHikariPoolMXBean() != null) {
                pool.getHikariPoolMXBean().softEvictConnections();
            }
        }
    }

    /// Whoever waits on one of them gets an error now, and whoever asks for one.
    void letGo() {
        shut = true;
        for (Connection each : List.copyOf(open)) {
            try {
                each.abort(Runnable::run);
            } catch (SQLException | RuntimeException e) {
                LOG.debug("a connection was gone already", e);
            }
            open.remove(each);
        }
    }

    private final class Door extends DelegatingDataSource {
        private Door(HikariDataSource pool) {
            super(pool);
        }

        @Override
        public Connection getConnection() throws SQLException {
            if (shut) {
                throw new SQLTransientConnectionException("the database does not answer");
            }
            return super.getConnection();
        }
    }

    private final class Physical extends AbstractDataSource {
        private final String url;
        private final Properties properties;

        private Physical(String url, Properties properties) {
            this.url = url;
            this.properties = properties;
        }

        @Override
        public Connection getConnection() throws SQLException {
            return open(Map.of());
        }

        @Override
        public Connection getConnection(String user, String password) throws SQLException {
            return open(Map.of("user", user, "password", password == null ? "" : password));
        }

        private Connection open(Map<String, String> who) throws SQLException {
            Properties all = new Properties();
            all.putAll(properties);
            all.putAll(who);
            Connection connection = DriverManager.getConnection(url, all);
            open.add(connection);
            return connection;
        }
    }
}
