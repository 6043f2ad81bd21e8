package alcabala.server.connection;

import alcabala.connectors.AccessLostException;
import alcabala.connectors.source.TellsChanges;
import alcabala.connectors.spi.ConnectionKind;
import alcabala.connectors.spi.Entry;
import alcabala.connectors.spi.Side;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.trail.Trail;
import java.util.Map;
import java.util.Optional;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/// Connects operational apps and folders of files, again and no more. What came from one stays, whatever becomes of its
/// connection.
@Component
public class SourceConnections {
    private final JdbcClient jdbc;
    private final Sources sources;
    private final Credentials credentials;
    private final Kinds kinds;
    private final Reach reach;
    private final Trail trail;
    private final TransactionTemplate transaction;

    SourceConnections(
            JdbcClient jdbc,
            Sources sources,
            Credentials credentials,
            Kinds kinds,
            Reach reach,
            Trail trail,
            TransactionTemplate transaction) {
        this.jdbc = jdbc;
        this.sources = sources;
        this.credentials = credentials;
        this.kinds = kinds;
        this.reach = reach;
        this.trail = trail;
        this.transaction = transaction;
    }

    /// What somebody filled in.
    ///
    /// @param address empty for that of the one that is connected again
    /// @param answers to what its kind asks for beside address and key; those of before where it says nothing
    public record Filled(String name, String address, Map<String, String> answers, String key) {
        @Override
        public String toString() {
            return "Filled[" + name + "]";
        }
    }

    /// Connects an operational app, or connects it again, by its key.
    ///
    /// @param id null for a new one
    /// @param kind of no meaning for one that is connected again
    public long connect(Long id, String kind, Filled filled, String who) {
        ConnectionKind of = kinds.get(id == null ? kind : systemOf(id));
        if (of.side() != Side.SOURCE || !(of.entry() instanceof Entry.ByKey)) {
            throw NotPossibleException.invalid("kind-unfit", of.name() + " is no app that is entered by a key.");
        }
        Optional<Sources.At> before = Optional.ofNullable(id).map(sources::at);
        String address = reach.typed(
                filled.address().isBlank() ? before.map(Sources.At::address).orElse("") : filled.address());
        Map<String, String> answers = Answers.of(
                of, filled.answers().isEmpty() ? before.map(Sources.At::answers).orElse(Map.of()) : filled.answers());
        Sources.At at = new Sources.At(address, answers);
        tryKey(of, at, filled.key());
        return transaction.execute(status -> {
            long source = id == null ? insert(of, filled.name(), at) : id;
            jdbc.sql("""
                    update source set connected = true, address = :address, answers = cast(:answers as jsonb) where id = :id""")
                    .param("id", source)
                    .param("address", address)
                    .param("answers", Answers.write(answers))
                    .update();
            credentials.keepForSource(source, filled.key());
            trail.write(null, null, who, "source-connected", Map.of("source", sourceName(source)));
            return source;
        });
    }

    private String systemOf(long source) {
        return jdbc.sql("select system from source where id = :id and kind = 'app'")
                .param("id", source)
                .query(String.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("app " + source));
    }

    private String sourceName(long id) {
        return jdbc.sql("select name from source where id = :id")
                .param("id", id)
                .query(String.class)
                .single();
    }

    private void tryKey(ConnectionKind kind, Sources.At at, String key) {
        try {
            sources.withKey(kind, at, key).get(TellsChanges.class).changes(0, 1);
        } catch (AccessLostException e) {
            throw NotPossibleException.invalid(
                    "key-wrong", e.system() + " does not take this key. Nothing was kept; look it up there again.");
        }
    }

    private long insert(ConnectionKind kind, String name, Sources.At at) {
        try {
            return jdbc.sql("""
                    insert into source (name, kind, system, desk, address) values (:name, 'app', :system, :desk, :address)
                    returning id""")
                    .param("name", name.isBlank() ? kind.name() : name.trim())
                    .param("system", kind.code())
                    .param("desk", kind.desk(sources.place(at)))
                    .param("address", at.address())
                    .query(Long.class)
                    .single();
        } catch (DuplicateKeyException e) {
            throw NotPossibleException.conflict("name-taken", "There is a source named " + name + " already.");
        }
    }

    @Transactional
    public long addFiles(String name, String who) {
        try {
            long id = jdbc.sql("insert into source (name, kind, system) values (:name, 'files', 'files') returning id")
                    .param("name", name.trim())
                    .query(Long.class)
                    .single();
            trail.write(null, null, who, "source-connected", Map.of("source", name.trim()));
            return id;
        } catch (DuplicateKeyException e) {
            throw NotPossibleException.conflict("name-taken", "There is a source named " + name + " already.");
        }
    }

    @Transactional
    public void disconnect(long id, String who) {
        int rows = jdbc.sql("update source set connected = false where id = :id and system <> 'files'")
                .param("id", id)
                .update();
        if (rows == 0) {
            throw NotPossibleException.missing("app " + id);
        }
        credentials.forgetSource(id);
        trail.write(null, null, who, "source-disconnected", Map.of("source", sourceName(id)));
    }
}
