package alcabala.server.connection;

import alcabala.server.platform.Seal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/// What opens the outside systems. Sealed in the database; open only in memory, while it is shown at the door.
@Component
public class Credentials {
    private final JdbcClient jdbc;
    private final Seal seal;
    private final JsonMapper json;
    private final Clock clock;

    /// The open secret of a ledger or a source.
    ///
    /// @param token the access token, or the key of a source
    /// @param refresh what a new access token is had for; empty for a key
    public record Secret(String token, String refresh) {
        @Override
        public String toString() {
            return "Secret";
        }
    }

    /// @param expiresAt of the access token; null for a key
    /// @param secret empty when it was sealed with another key
    record Credential(
            Optional<Secret> secret, List<String> scopes, Instant expiresAt, Instant consentEndsAt, Instant lostAt) {}

    Credentials(JdbcClient jdbc, Seal seal, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.seal = seal;
        this.json = json;
        this.clock = clock;
    }

    byte[] seal(Secret secret) {
        return seal.seal(json.writeValueAsString(secret));
    }

    Optional<Secret> open(byte[] sealed) {
        return seal.open(sealed).map(text -> json.readValue(text, Secret.class));
    }

    public void keepForSource(long sourceId, String key) {
        jdbc.sql("""
                insert into credential (source_id, sealed) values (:id, :sealed)
                on conflict (source_id) do update set sealed = excluded.sealed, lost_at = null, version = credential.version + 1""")
                .param("id", sourceId)
                .param("sealed", seal(new Secret(key, "")))
                .update();
    }

    public void keepForLedger(
            long ledgerId, Secret secret, List<String> scopes, Instant expiresAt, Instant consentEndsAt) {
        jdbc.sql("""
                insert into credential (ledger_id, sealed, scopes, expires_at, consent_ends_at)
                values (:id, :sealed, :scopes, :expires, :ends)
                on conflict (ledger_id) do update set sealed = excluded.sealed, scopes = excluded.scopes,
                    expires_at = excluded.expires_at, consent_ends_at = excluded.consent_ends_at, lost_at = null,
                    version = credential.version + 1""")
                .param("id", ledgerId)
                .param("sealed", seal(secret))
                .param("scopes", String.join(" ", scopes))
                .param("expires", timestamp(expiresAt), java.sql.Types.TIMESTAMP)
                .param("ends", timestamp(consentEndsAt), java.sql.Types.TIMESTAMP)
                .update();
    }

    Optional<Credential> ofLedger(long ledgerId) {
        return jdbc.sql(SELECT + " where ledger_id = :id")
                .param("id", ledgerId)
                .query(this::row)
                .optional();
    }

    /// Locked for the transaction, so that one process at a time renews it.
    Optional<Credential> lockOfLedger(long ledgerId) {
        return jdbc.sql(SELECT + " where ledger_id = :id for update")
                .param("id", ledgerId)
                .query(this::row)
                .optional();
    }

    Optional<Credential> ofSource(long sourceId) {
        return jdbc.sql(SELECT + " where source_id = :id")
                .param("id", sourceId)
                .query(this::row)
                .optional();
    }

    void lost(long ledgerId) {
        jdbc.sql("update credential set lost_at = :now where ledger_id = :id and lost_at is null")
                .param("now", Timestamp.from(clock.instant()))
                .param("id", ledgerId)
                .update();
    }

    void consentEnds(long ledgerId, Optional<Instant> endsAt) {
        jdbc.sql("update credential set consent_ends_at = :ends where ledger_id = :id")
                .param("ends", timestamp(endsAt.orElse(null)), java.sql.Types.TIMESTAMP)
                .param("id", ledgerId)
                .update();
    }

    public void forgetLedger(long ledgerId) {
        jdbc.sql("delete from credential where ledger_id = :id")
                .param("id", ledgerId)
                .update();
    }

    public void forgetSource(long sourceId) {
        jdbc.sql("delete from credential where source_id = :id")
                .param("id", sourceId)
                .update();
    }

    private Credential row(ResultSet row, int n) throws SQLException {
        String scopes = row.getString("scopes");
        return new Credential(
                open(row.getBytes("sealed")),
                scopes.isEmpty() ? List.of() : List.of(scopes.split(" ")),
                instant(row.getTimestamp("expires_at")),
                instant(row.getTimestamp("consent_ends_at")),
                instant(row.getTimestamp("lost_at")));
    }

    private static Instant instant(Timestamp at) {
        return at == null ? null : at.toInstant();
    }

    private static Timestamp timestamp(Instant at) {
        return at == null ? null : Timestamp.from(at);
    }

    private static final String SELECT = "select sealed, scopes, expires_at, consent_ends_at, lost_at from credential";
}
