package alcabala.server.access;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.Locale;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Tokens for the API. Only their hash is kept.
@Component
class AccessTokens {
    private static final Duration LIFE = Duration.ofDays(30);
    private final JdbcClient jdbc;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    record NewToken(String token, Instant expiresAt) {}

    AccessTokens(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    NewToken make(String signIn) {
        byte[] bytes = new byte[32];
        random.nextBytes(bytes);
        String token = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        Instant now = clock.instant();
        Instant end = now.plus(LIFE);
        jdbc.sql("""
                insert into access_token (token_hash, person_id, created_at, expires_at)
                select :hash, id, :now, :end from person where sign_in = :signIn""")
                .param("hash", hash(token))
                .param("now", Timestamp.from(now))
                .param("end", Timestamp.from(end))
                .param("signIn", signIn)
                .update();
        return new NewToken(token, end);
    }

    Optional<SignedIn> find(String token) {
        return jdbc.sql("""
                select p.sign_in, p.name, p.role from access_token t join person p on p.id = t.person_id
                where t.token_hash = :hash and t.expires_at > :now""")
                .param("hash", hash(token))
                .param("now", Timestamp.from(clock.instant()))
                .query((row, n) -> new SignedIn(
                        row.getString("sign_in"),
                        row.getString("name"),
                        Role.valueOf(row.getString("role").toUpperCase(Locale.ROOT))))
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
