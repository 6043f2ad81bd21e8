package alcabala.server.connection;

import alcabala.connectors.Access;
import alcabala.connectors.AccessLostException;
import alcabala.connectors.spi.Connection;
import alcabala.connectors.spi.ConnectionKind;
import alcabala.connectors.spi.Place;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Settings;
import java.util.Map;
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

    private record Source(String name, String system, String address, String answers, boolean connected) {}

    /// Where a source is, and what its kind was answered.
    record At(String address, Map<String, String> answers) {}

    Sources(JdbcClient jdbc, Credentials credentials, Kinds kinds, Reach reach, Settings settings) {
        this.jdbc = jdbc;
        this.credentials = credentials;
        this.kinds = kinds;
        this.reach = reach;
        this.settings = settings;
    }

    /// As it is known without being let in: what it can is told, and nothing is to be asked of it.
    public Connection described(long sourceId) {
        Source source = source(sourceId);
        return withKey(kinds.get(source.system()), new At(source.address(), Answers.read(source.answers())), "");
    }

    private Source source(long sourceId) {
        return jdbc.sql("select name, system, address, answers, connected from source where id = :id")
                .param("id", sourceId)
                .query(Source.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("source " + sourceId));
    }

    /// @throws AccessLostException when the app was disconnected
    public Connection of(long sourceId) {
        Source source = source(sourceId);
        if (!source.connected()) {
            throw new AccessLostException(source.name(), "is not connected");
        }
        String key = credentials
                .ofSource(sourceId)
                .flatMap(Credentials.Credential::secret)
                .map(Credentials.Secret::token)
                .orElseThrow(() -> new AccessLostException(source.name(), "there is no key that can be opened"));
        return withKey(kinds.get(source.system()), new At(source.address(), Answers.read(source.answers())), key);
    }

    At at(long sourceId) {
        return jdbc.sql("select address, answers from source where id = :id")
                .param("id", sourceId)
                .query((row, n) -> new At(row.getString("address"), Answers.read(row.getString("answers"))))
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("source " + sourceId));
    }

    /// The app that a key opens.
    Connection withKey(ConnectionKind kind, At at, String key) {
        return kind.open(place(at), Access.key(key));
    }

    Place place(At at) {
        return new Place(at.address(), "", at.answers(), settings.patience(), reach);
    }
}
