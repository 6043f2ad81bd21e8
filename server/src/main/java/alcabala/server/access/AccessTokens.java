package alcabala.server.access;

import alcabala.server.platform.NotPossibleException;
import alcabala.server.trail.Trail;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Tokens for machines, with at most the rights of who made them, for what they were made for, and on one route where
/// that was said. Only their hash is kept.
@Component
class AccessTokens {
    private final JdbcClient jdbc;
    private final Trail trail;
    private final Clock clock;

    record NewToken(String token, Instant expiresAt) {}

    /// @param route the only one it may be used on; empty for all
    record TokenListed(
            long id,
            String name,
            List<Purpose> purposes,
            String route,
            Instant createdAt,
            Instant expiresAt,
            Instant lastUsedAt) {}

    /// What is wanted of a token.
    ///
    /// @param route its code; empty for all routes
    record Wanted(String name, Set<Purpose> purposes, String route, Duration life) {}

    /// Who a token speaks for, and what it may be used for.
    ///
    /// @param route the code of the only route it may be used on; empty for all
    record Bearer(SignedIn person, Set<Purpose> purposes, String route) {
        boolean may(String method, String path) {
            return purposes.stream().anyMatch(purpose -> purpose.covers(method, path));
        }
    }

    AccessTokens(JdbcClient jdbc, Trail trail, Clock clock) {
        this.jdbc = jdbc;
        this.trail = trail;
        this.clock = clock;
    }

    @Transactional
    public NewToken make(SignedIn person, Wanted wanted) {
        String token = Tokens.fresh();
        Instant now = clock.instant();
        Instant end = now.plus(wanted.life());
        Long route = wanted.route().isEmpty() ? null : routeId(wanted.route());
        jdbc.sql("""
                insert into access_token (token_hash, person_id, created_at, expires_at, name, purposes, route_id)
                values (:hash, :person, :now, :end, :name, :purposes, :route)""")
                .param("hash", Tokens.hash(token))
                .param("person", person.id())
                .param("now", Timestamp.from(now))
                .param("end", Timestamp.from(end))
                .param("name", wanted.name())
                .param("purposes", wanted.purposes().stream().map(Enum::name).toArray(String[]::new))
                .param("route", route, java.sql.Types.BIGINT)
                .update();
        trail.write(
                null,
                null,
                person.name(),
                "token-made",
                Map.of(
                        "name", wanted.name(),
                        "purposes", wanted.purposes(),
                        "route", wanted.route(),
                        "until", end));
        return new NewToken(token, end);
    }

    private long routeId(String code) {
        return jdbc.sql("select id from route where code = :code")
                .param("code", code)
                .query(Long.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("route " + code));
    }

    List<TokenListed> of(String signIn) {
        return jdbc.sql("""
                select t.id, t.name, t.purposes, coalesce(r.code, '') as route, t.created_at, t.expires_at, t.last_used_at
                from access_token t join person p on p.id = t.person_id left join route r on r.id = t.route_id
                where p.sign_in = :signIn and t.expires_at > :now order by t.id""")
                .param("signIn", signIn)
                .param("now", Timestamp.from(clock.instant()))
                .query((row, n) -> new TokenListed(
                        row.getLong("id"),
                        row.getString("name"),
                        List.copyOf(purposes(row)),
                        row.getString("route"),
                        row.getTimestamp("created_at").toInstant(),
                        row.getTimestamp("expires_at").toInstant(),
                        row.getTimestamp("last_used_at") == null
                                ? null
                                : row.getTimestamp("last_used_at").toInstant()))
                .list();
    }

    private static Set<Purpose> purposes(ResultSet row) throws SQLException {
        return Arrays.stream((String[]) row.getArray("purposes").getArray())
                .map(Purpose::valueOf)
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Purpose.class)));
    }

    /// @param signIn whose it is
    /// @param who takes it back: the person herself, or an administrator
    @Transactional
    public void takeBack(String signIn, long id, String who) {
        int rows = jdbc.sql("""
                delete from access_token where id = :id and person_id = (select id from person where sign_in = :signIn)""").param("id", id).param("signIn", signIn).update();
        if (rows == 0) {
            throw NotPossibleException.missing("token " + id);
        }
        trail.write(null, null, who, "token-taken-back", Map.of("token", id, "person", signIn));
    }

    /// When the password is another, or the person has left.
    void endAll(String signIn) {
        jdbc.sql("delete from access_token where person_id = (select id from person where sign_in = :signIn)")
                .param("signIn", signIn)
                .update();
    }

    Optional<Bearer> find(String token) {
        return jdbc.sql("""
                update access_token t set last_used_at = :now from person p
                where p.id = t.person_id and p.active and t.token_hash = :hash and t.expires_at > :now
                returning p.id, p.sign_in, p.name, p.role, t.purposes,
                    coalesce((select code from route where id = t.route_id), '') as route""")
                .param("hash", Tokens.hash(token))
                .param("now", Timestamp.from(clock.instant()))
                .query((row, n) -> new Bearer(
                        new SignedIn(
                                row.getLong("id"),
                                row.getString("sign_in"),
                                row.getString("name"),
                                Role.valueOf(row.getString("role").toUpperCase(Locale.ROOT))),
                        purposes(row),
                        row.getString("route")))
                .optional();
    }
}
