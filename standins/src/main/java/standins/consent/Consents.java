package standins.consent;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.oauth2.server.authorization.OAuth2Authorization;
import org.springframework.security.oauth2.server.authorization.OAuth2AuthorizationService;
import org.springframework.security.oauth2.server.authorization.OAuth2TokenType;
import org.springframework.stereotype.Component;

/// The consents that were given, and what an access token is good for.
@Component
public class Consents {
    private final JdbcClient jdbc;
    private final OAuth2AuthorizationService authorizations;
    private final Clock clock;

    /// One consent as the desk shows it.
    public record Consent(String id, String program, String person, List<String> scopes, Instant endsAt) {}

    /// What a token is good for.
    ///
    /// @param program to which it was given
    public record Grant(String program, Set<String> scopes, Instant endsAt) {}

    Consents(JdbcClient jdbc, OAuth2AuthorizationService authorizations, Clock clock) {
        this.jdbc = jdbc;
        this.authorizations = authorizations;
        this.clock = clock;
    }

    /// Empty for a token that is unknown, revoked or past its time.
    public Optional<Grant> find(String token) {
        OAuth2Authorization authorization = authorizations.findByToken(token, OAuth2TokenType.ACCESS_TOKEN);
        if (authorization == null || !authorization.getAccessToken().isActive()) {
            return Optional.empty();
        }
        Instant end = authorization.getRefreshToken() == null
                ? authorization.getAccessToken().getToken().getExpiresAt()
                : authorization.getRefreshToken().getToken().getExpiresAt();
        return Optional.of(new Grant(
                authorization.getRegisteredClientId(),
                authorization.getAccessToken().getToken().getScopes(),
                end));
    }

    List<Consent> all() {
        return jdbc.sql("""
                select id, registered_client_id, principal_name, authorized_scopes, refresh_token_expires_at
                from oauth2_authorization where refresh_token_value is not null order by refresh_token_issued_at desc""")
                .query((row, n) -> new Consent(
                        row.getString("id"),
                        row.getString("registered_client_id"),
                        row.getString("principal_name"),
                        Arrays.asList(row.getString("authorized_scopes").split(",")),
                        row.getTimestamp("refresh_token_expires_at").toInstant()))
                .list();
    }

    void revoke(String id) {
        jdbc.sql("delete from oauth2_authorization where id = :id")
                .param("id", id)
                .update();
    }

    /// The owner lets nobody in any more.
    public void revokeAll() {
        all().forEach(consent -> revoke(consent.id()));
    }

    /// As if the few minutes of an access token were over; the consent itself goes on.
    void endAccess(String id) {
        setTime("access_token_issued_at", id, clock.instant().minusSeconds(600));
        setTime("access_token_expires_at", id, clock.instant().minusSeconds(1));
    }

    void endConsentIn(String id, Duration time) {
        setTime("refresh_token_expires_at", id, clock.instant().plus(time));
    }

    private void setTime(String column, String id, Instant time) {
        jdbc.sql("update oauth2_authorization set " + column + " = :time where id = :id")
                .param("time", Timestamp.from(time))
                .param("id", id)
                .update();
    }
}
