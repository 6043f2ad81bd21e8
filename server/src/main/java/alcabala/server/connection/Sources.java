package alcabala.server.connection;

import alcabala.connectors.Access;
import alcabala.connectors.AccessLostException;
import alcabala.connectors.spi.Connection;
import alcabala.connectors.spi.ConnectionKind;
import alcabala.connectors.spi.Place;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Settings;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The operational apps as one speaks to them.
@Component
public class Sources {
    private final JdbcClient jdbc;
    private final Credentials credentials;
    private final Kinds kinds;
    private final Reach reach;
    private final Settings settings;

    private record Source(String name, String system, String address, boolean connected) {}

    Sources(JdbcClient jdbc, Credentials credentials, Kinds kinds, Reach reach, Settings settings) {
        this.jdbc = jdbc;
        this.credentials = credentials;
        this.kinds = kinds;
        this.reach = reach;
        this.settings = settings;
    }

    /// @throws AccessLostException when the app was disconnected
    public Connection of(long sourceId) {
        Source source = jdbc.sql("select name, system, address, connected from source where id = :id")
                .param("id", sourceId)
                .query(Source.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("source " + sourceId));
        if (!source.connected()) {
            throw new AccessLostException(source.name(), "is not connected");
        }
        String key = credentials
                .ofSource(sourceId)
                .flatMap(Credentials.Credential::secret)
                .map(Credentials.Secret::token)
                .orElseThrow(() -> new AccessLostException(source.name(), "there is no key that can be opened"));
        return withKey(kinds.get(source.system()), source.address(), key);
    }

    /// The app that a key opens.
    Connection withKey(ConnectionKind kind, String address, String key) {
        return kind.open(new Place(address, "", settings.patience(), reach), Access.key(key));
    }
}
