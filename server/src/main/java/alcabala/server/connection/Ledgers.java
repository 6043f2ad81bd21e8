package alcabala.server.connection;

import alcabala.connectors.Access;
import alcabala.connectors.AccessLostException;
import alcabala.connectors.ledger.LedgerConsent;
import alcabala.connectors.ledger.ShowsConsent;
import alcabala.connectors.spi.Connection;
import alcabala.connectors.spi.ConnectionKind;
import alcabala.connectors.spi.Place;
import alcabala.server.connection.Consents.Given;
import alcabala.server.connection.Credentials.Credential;
import alcabala.server.connection.Credentials.Secret;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Recently;
import alcabala.server.platform.Settings;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/// The ledgers as one speaks to them. Access tokens are renewed before they run out, by one process at a time.
@Component
public class Ledgers {
    private static final Duration AHEAD = Duration.ofSeconds(60);
    private final JdbcClient jdbc;
    private final Credentials credentials;
    private final Consents consents;
    private final Kinds kinds;
    private final Reach reach;
    private final Settings settings;
    private final TransactionTemplate apart;
    private final Clock clock;
    private final Map<Long, Connected> open = new ConcurrentHashMap<>();

    private record Connected(Company company, Connection connection) {}

    private record Company(
            String name, String system, String company, String address, String answers, boolean connected) {}

    Ledgers(
            JdbcClient jdbc,
            Credentials credentials,
            Consents consents,
            Kinds kinds,
            Reach reach,
            Settings settings,
            PlatformTransactionManager transactions,
            Clock clock) {
        this.jdbc = jdbc;
        this.credentials = credentials;
        this.consents = consents;
        this.kinds = kinds;
        this.reach = reach;
        this.settings = settings;
        // A renewed token counts even when the caller's own work is rolled back.
        this.apart = new TransactionTemplate(transactions);
        this.apart.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
        this.clock = clock;
    }

    /// As it is known without being let in: what it can is told, and nothing is to be asked of it.
    public Connection described(long ledgerId) {
        Company company = company(ledgerId);
        return open(kinds.get(company.system()), company, Access.key(""));
    }

    private Company company(long ledgerId) {
        return jdbc.sql("select name, system, company, address, answers, connected from ledger where id = :id")
                .param("id", ledgerId)
                .query(Company.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("ledger " + ledgerId));
    }

    /// @throws AccessLostException when the ledger was disconnected
    public Connection of(long ledgerId) {
        Company company = company(ledgerId);
        if (!company.connected()) {
            throw new AccessLostException(company.name(), "is not connected");
        }
        ConnectionKind kind = kinds.get(company.system());
        return open.compute(
                        ledgerId,
                        (id, before) -> before != null && before.company().equals(company)
                                ? before
                                : new Connected(
                                        company, open(kind, company, new LedgerAccess(ledgerId, kind, company))))
                .connection();
    }

    private Connection open(ConnectionKind kind, Company company, Access access) {
        return kind.open(place(company.address(), company.company(), Answers.read(company.answers())), access);
    }

    Place place(String address, String company, Map<String, String> answers) {
        return new Place(address, company, answers, settings.patience(), reach);
    }

    /// When the consent ends, as the ledger says itself; empty when it has no end, or is not entered by consent.
    ///
    /// @throws AccessLostException when it has ended
    public Optional<Instant> consentEndsAt(long ledgerId) {
        return of(ledgerId).find(ShowsConsent.class).map(ShowsConsent::consent).map(LedgerConsent::endsAt);
    }

    private final class LedgerAccess implements Access {
        private final long ledgerId;
        private final ConnectionKind kind;
        private final Company company;
        /// Several requests a second want it, and each would have it unsealed.
        private final Recently<String> token = new Recently<>(Duration.ofSeconds(1), this::current);

        LedgerAccess(long ledgerId, ConnectionKind kind, Company company) {
            this.ledgerId = ledgerId;
            this.kind = kind;
            this.company = company;
        }

        @Override
        public String token() {
            return token.get();
        }

        private String current() {
            Credential credential = credential(credentials.ofLedger(ledgerId));
            boolean runsOut = credential.expiresAt() != null
                    && credential.expiresAt().isBefore(clock.instant().plus(AHEAD));
            Secret secret = secret(credential);
            return runsOut ? renewed(secret.token()).orElse(secret.token()) : secret.token();
        }

        @Override
        public Optional<String> tokenAfter(String turnedAway) {
            Optional<String> another = renewed(turnedAway);
            token.forget();
            return another;
        }

        /// Somebody else may have renewed it meanwhile; then that one is good.
        private Optional<String> renewed(String old) {
            try {
                return Optional.ofNullable(apart.execute(status -> {
                    Credential credential = credential(credentials.lockOfLedger(ledgerId));
                    Secret secret = secret(credential);
                    if (!secret.token().equals(old)) {
                        return secret.token();
                    }
                    if (secret.refresh().isEmpty()) {
                        return null;
                    }
                    Given given = consents.refresh(kind, company.address(), secret, credential.scopes());
                    Secret fresh = given.secret().refresh().isEmpty()
                            ? new Secret(given.secret().token(), secret.refresh())
                            : given.secret();
                    credentials.keepForLedger(
                            ledgerId, fresh, given.scopes(), given.expiresAt(), credential.consentEndsAt());
                    return fresh.token();
                }));
            } catch (AccessLostException e) {
                apart.executeWithoutResult(status -> credentials.lost(ledgerId));
                throw e;
            }
        }

        private Credential credential(Optional<Credential> found) {
            return found.orElseThrow(() -> new AccessLostException(company.name(), "there is no consent"));
        }

        private Secret secret(Credential credential) {
            return credential
                    .secret()
                    .orElseThrow(() -> new AccessLostException(
                            company.name(), "the consent was sealed with another key than today's"));
        }
    }
}
