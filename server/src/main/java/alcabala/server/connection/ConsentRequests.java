package alcabala.server.connection;

import alcabala.connectors.Access;
import alcabala.connectors.spi.ConnectionKind;
import alcabala.server.connection.Consents.Asked;
import alcabala.server.connection.Consents.Given;
import alcabala.server.connection.Credentials.Secret;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Seal;
import java.security.SecureRandom;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Consents on their way: asked for by one person, given in her browser, and then used once, by her.
@Component
public class ConsentRequests {
    private static final Duration LIFE = Duration.ofMinutes(15);
    private final JdbcClient jdbc;
    private final Consents consents;
    private final Kinds kinds;
    private final Reach reach;
    private final Credentials credentials;
    private final Seal seal;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    /// @param ledgerId the ledger that is to be connected again; null for a new one
    public record Pending(
            String state,
            Long ledgerId,
            String system,
            String address,
            Map<String, String> answers,
            Optional<Secret> secret,
            List<String> scopes,
            Instant expiresAt) {
        public Access access() {
            return Access.key(secret.orElseThrow().token());
        }
    }

    ConsentRequests(
            JdbcClient jdbc,
            Consents consents,
            Kinds kinds,
            Reach reach,
            Credentials credentials,
            Seal seal,
            Clock clock) {
        this.jdbc = jdbc;
        this.consents = consents;
        this.kinds = kinds;
        this.reach = reach;
        this.credentials = credentials;
        this.seal = seal;
        this.clock = clock;
    }

    /// The address there that the person is to be sent to.
    ///
    /// @param address of the system; so is `kind` taken from the ledger that is connected again
    @Transactional
    public String ask(String signIn, Long ledgerId, String kind, String address, Map<String, String> answers) {
        Target target = ledgerId == null ? new Target(kind, address, Answers.write(answers)) : known(ledgerId);
        String there = reach.typed(target.address());
        ConnectionKind of = kinds.get(target.system());
        String kept = Answers.write(Answers.of(of, Answers.read(target.answers())));
        jdbc.sql("delete from consent_request where created_at < :old")
                .param("old", Timestamp.from(clock.instant().minus(LIFE)))
                .update();
        byte[] bytes = new byte[24];
        random.nextBytes(bytes);
        String state = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        Asked asked = consents.ask(of, there, state);
        jdbc.sql("""
                insert into consent_request (state, sign_in, ledger_id, verifier, created_at, system, address, answers)
                values (:state, :signIn, :ledger, :verifier, :now, :system, :address, cast(:answers as jsonb))""")
                .param("state", state)
                .param("signIn", signIn)
                .param("ledger", ledgerId, java.sql.Types.BIGINT)
                .param("verifier", seal.seal(asked.verifier()))
                .param("now", Timestamp.from(clock.instant()))
                .param("system", target.system())
                .param("address", there)
                .param("answers", kept)
                .update();
        return asked.address();
    }

    private record Target(String system, String address, String answers) {}

    private Target known(long ledgerId) {
        return jdbc.sql("select system, address, answers from ledger where id = :id")
                .param("id", ledgerId)
                .query(Target.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("ledger " + ledgerId));
    }

    public void requireOpen(String signIn, String state) {
        findVerifier(signIn, state).orElseThrow(ConsentRequests::unknown);
    }

    private Optional<byte[]> findVerifier(String signIn, String state) {
        return jdbc.sql("""
                select verifier from consent_request
                where state = :state and sign_in = :signIn and sealed is null and created_at >= :old""")
                .param("state", state)
                .param("signIn", signIn)
                .param("old", Timestamp.from(clock.instant().minus(LIFE)))
                .query(byte[].class)
                .optional();
    }

    /// Takes the code that came back for a token.
    public void given(String signIn, String state, String code) {
        byte[] verifier = findVerifier(signIn, state).orElseThrow(ConsentRequests::unknown);
        Target target = jdbc.sql("select system, address, answers from consent_request where state = :state")
                .param("state", state)
                .query(Target.class)
                .single();
        Given given = consents.exchange(
                kinds.get(target.system()),
                target.address(),
                state,
                seal.open(verifier).orElseThrow(ConsentRequests::unknown),
                code);
        jdbc.sql("""
                update consent_request set sealed = :sealed, scopes = :scopes, expires_at = :expires where state = :state""")
                .param("sealed", credentials.seal(given.secret()))
                .param("scopes", String.join(" ", given.scopes()))
                .param("expires", Timestamp.from(given.expiresAt()))
                .param("state", state)
                .update();
    }

    public Pending get(String signIn, String state) {
        return jdbc.sql("""
                select state, ledger_id, system, address, answers, sealed, scopes, expires_at from consent_request
                where state = :state and sign_in = :signIn and sealed is not null and created_at >= :old""")
                .param("state", state)
                .param("signIn", signIn)
                .param("old", Timestamp.from(clock.instant().minus(LIFE)))
                .query((row, n) -> new Pending(
                        row.getString("state"),
                        row.getObject("ledger_id", Long.class),
                        row.getString("system"),
                        row.getString("address"),
                        Answers.read(row.getString("answers")),
                        credentials.open(row.getBytes("sealed")),
                        List.of(row.getString("scopes").split(" ")),
                        row.getTimestamp("expires_at").toInstant()))
                .optional()
                .orElseThrow(ConsentRequests::unknown);
    }

    public void used(String state) {
        jdbc.sql("delete from consent_request where state = :state")
                .param("state", state)
                .update();
    }

    private static NotPossibleException unknown() {
        return new NotPossibleException(
                HttpStatus.CONFLICT,
                "consent-unknown",
                "This consent was used, is older than a quarter of an hour, or was asked for by somebody else. Ask for it again.");
    }
}
