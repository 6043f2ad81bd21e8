package alcabala.server.connect;

import alcabala.connectors.Access;
import alcabala.connectors.AccessLostException;
import alcabala.connectors.http.HullworkSource;
import alcabala.connectors.http.RefitlineSource;
import alcabala.connectors.http.StoreloftSource;
import alcabala.connectors.source.SourceConnector;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Settings;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The operational apps as one speaks to them.
@Component
public class Sources {
    private final JdbcClient jdbc;
    private final Credentials credentials;
    private final Settings settings;

    private record Source(String name, String system, boolean connected) {}

    Sources(JdbcClient jdbc, Credentials credentials, Settings settings) {
        this.jdbc = jdbc;
        this.credentials = credentials;
        this.settings = settings;
    }

    /// @throws AccessLostException when the app was disconnected
    public SourceConnector of(long sourceId) {
        Source source = jdbc.sql("select name, system, connected from source where id = :id")
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
        return withKey(source.system(), key);
    }

    /// The app that a key opens.
    SourceConnector withKey(String system, String key) {
        Access access = Access.key(key);
        return switch (system) {
            case "hullwork" -> new HullworkSource(settings.standins(), access, settings.patience());
            case "storeloft" -> new StoreloftSource(settings.standins(), access, settings.patience());
            case "refitline" -> new RefitlineSource(settings.standins(), access, settings.patience());
            default -> throw new IllegalArgumentException(system + " is no app that answers");
        };
    }
}
