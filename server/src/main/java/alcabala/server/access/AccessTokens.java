package alcabala.server.access;

import alcabala.server.platform.NotPossibleException;
import alcabala.server.trail.Trail;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Tokens for machines, with at most the rights of who made them. Only their hash is kept.
@Component
class AccessTokens {
    private final JdbcClient jdbc;
    private final Trail trail;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    record NewToken(String token, Instant expiresAt) {}

    record TokenListed(
            long id, String name, boolean readsOnly, Instant createdAt, Instant expiresAt, Instant lastUsedAt) {}

    /// Who a token speaks for, and whether it may only read.
    record Bearer(SignedIn person, boolean readsOnly) {}

    AccessTokens(JdbcClient jdbc, Trail trail, Clock clock) {
        this.jdbc = jdbc;
        this.trail = trail;
        this.clock = clock;
    }

    @Transactional
    public NewToken make(SignedIn person, String name, boolean readsOnly, Duration life) {
        byte[] bytes = new byte[32];
        random.nextBytes(bytes);
        String token = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        Instant now = clock.instant();
        Instant end = now.plus(life);
        jdbc.sql("""
                insert into access_token (token_hash, person_id, created_at, expires_at, name, reads_only)
                select :hash, id, :now, :end, :name, :readsOnly from person where sign_in = :signIn""")
                .param("hash", hash(token))
                .param("now", Timestamp.from(now))
                .param("end", Timestamp.from(end))
                .param("name", name)
                .param("readsOnly", readsOnly)
                .param("signIn", person.signIn())
                .update();
        trail.write(
                null, null, person.name(), "token-made", Map.of("name", name, "readsOnly", readsOnly, "until", end));
        return new NewToken(token, end);
    }

    List<TokenListed> of(String signIn) {
        return jdbc.sql("""
                select t.id, t.name, t.reads_only, t.created_at, t.expires_at, t.last_used_at
                from access_token t join person p on p.id = t.person_id
                where p.sign_in = :signIn and t.expires_at > :now order by t.id""")
                .param("signIn", signIn)
                .param("now", Timestamp.from(clock.instant()))
                .query((row, n) -> new TokenListed(
                        row.getLong("id"),
                        row.getString("name"),
                        row.getBoolean("reads_only"),
                        row.getTimestamp("created_at").toInstant(),
                        row.getTimestamp("expires_at").toInstant(),
                        row.getTimestamp("last_used_at") == null
                                ? null
                                : row.getTimestamp("last_used_at").toInstant()))
                .list();
    }

    @Transactional
    public void takeBack(SignedIn person, long id) {
        int rows =
                jdbc.sql("""
                delete from access_token where id = :id and person_id = (select id from person where sign_in = :signIn)""").param("id", id).param("signIn", person.signIn()).update();
        if (rows == 0) {
            throw NotPossibleException.missing("token " + id);
        }
        trail.write(null, null, person.name(), "token-taken-back", Map.of("token", id));
    }

    Optional<Bearer> find(String token) {
        return jdbc.sql("""
                update access_token t set last_used_at = :now from person p
                where p.id = t.person_id and p.active and t.token_hash = :hash and t.expires_at > :now
                returning p.sign_in, p.name, p.role, t.reads_only""")
                .param("hash", hash(token))
                .param("now", Timestamp.from(clock.instant()))
                .query((row, n) -> new Bearer(
                        new SignedIn(
                                row.getString("sign_in"),
                                row.getString("name"),
                                Role.valueOf(row.getString("role").toUpperCase(Locale.ROOT))),
                        row.getBoolean("reads_only")))
                .optional();
    }

    private static byte[] hash(String token) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(token.getBytes(StandardCharsets.UTF_8));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every JDK has SHA-256", e);
        }
    }
}
