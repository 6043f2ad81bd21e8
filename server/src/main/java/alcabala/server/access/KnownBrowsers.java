package alcabala.server.access;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Browsers from which somebody has signed in before. They are counted apart, so that whoever guesses elsewhere does
/// not shut her out; a cookie tells them, which lets nobody in.
@Component
class KnownBrowsers {
    private static final String COOKIE = "ALCABALA_BROWSER";
    private static final Duration KEPT = Duration.ofDays(180);
    private final JdbcClient jdbc;
    private final Clock clock;

    KnownBrowsers(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /// Something that names the browser, when it is known for this name.
    Optional<String> find(HttpServletRequest request, String signIn) {
        return cookie(request)
                .filter(token -> jdbc.sql("""
                        select exists (select 1 from known_browser b join person p on p.id = b.person_id
                            where p.sign_in = :signIn and b.token_hash = :hash and b.last_at > :then)""")
                        .param("signIn", signIn)
                        .param("hash", Tokens.hash(token))
                        .param("then", Timestamp.from(clock.instant().minus(KEPT)))
                        .query(Boolean.class)
                        .single());
    }

    void remember(HttpServletRequest request, HttpServletResponse response, long person) {
        String token = cookie(request).orElseGet(Tokens::fresh);
        jdbc.sql("""
                insert into known_browser (token_hash, person_id, last_at) values (:hash, :person, :now)
                on conflict (token_hash, person_id) do update set last_at = excluded.last_at""")
                .param("hash", Tokens.hash(token))
                .param("person", person)
                .param("now", Timestamp.from(clock.instant()))
                .update();
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                ResponseCookie.from(COOKIE, token)
                        .httpOnly(true)
                        .secure(request.isSecure())
                        .sameSite("Strict")
                        .path("/api/session")
                        .maxAge(KEPT)
                        .build()
                        .toString());
    }

    private static Optional<String> cookie(HttpServletRequest request) {
        return request.getCookies() == null
                ? Optional.empty()
                : Stream.of(request.getCookies())
                        .filter(each -> each.getName().equals(COOKIE))
                        .map(Cookie::getValue)
                        .filter(Tokens::isOne)
                        .findFirst();
    }
}
