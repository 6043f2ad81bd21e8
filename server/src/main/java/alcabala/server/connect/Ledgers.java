package alcabala.server.connect;

import alcabala.connectors.Access;
import alcabala.connectors.AccessLostException;
import alcabala.connectors.http.InkwellDoor;
import alcabala.connectors.http.InkwellLedger;
import alcabala.connectors.ledger.LedgerConnector;
import alcabala.server.connect.Credentials.Credential;
import alcabala.server.connect.Credentials.Secret;
import alcabala.server.connect.InkwellConsents.Given;
import alcabala.server.platform.NotPossibleException;
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
    private final InkwellConsents consents;
    private final Settings settings;
    private final TransactionTemplate apart;
    private final Clock clock;
    private final Map<Long, Connected> connectors = new ConcurrentHashMap<>();

    private record Connected(String company, LedgerConnector connector) {}

    private record Company(String name, String system, String company, boolean connected) {}

    Ledgers(
            JdbcClient jdbc,
            Credentials credentials,
            InkwellConsents consents,
            Settings settings,
            PlatformTransactionManager transactions,
            Clock clock) {
        this.jdbc = jdbc;
        this.credentials = credentials;
        this.consents = consents;
        this.settings = settings;
        // A renewed token counts even when the caller's own work is rolled back.
        this.apart = new TransactionTemplate(transactions);
        this.apart.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
        this.clock = clock;
    }

    /// @throws AccessLostException when the ledger was disconnected
    public LedgerConnector of(long ledgerId) {
        Company company = jdbc.sql("select name, system, company, connected from ledger where id = :id")
                .param("id", ledgerId)
                .query(Company.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("ledger " + ledgerId));
        if (!company.connected()) {
            throw new AccessLostException(company.name(), "is not connected");
        }
        if (!company.system().equals("inkwell")) {
            throw NotPossibleException.invalid(
                    "ledger-of-files",
                    company.name() + " cannot be asked: it takes files, and its lists come as files.");
        }
        return connectors
                .compute(
                        ledgerId,
                        (id, before) -> before != null && before.company().equals(company.company())
                                ? before
                                : new Connected(company.company(), connector(id, company)))
                .connector();
    }

    private LedgerConnector connector(long ledgerId, Company company) {
        return connectorFor(company.company(), new LedgerAccess(ledgerId, company.name()));
    }

    /// When the consent ends, as the ledger says itself; empty when it has no end.
    ///
    /// @throws AccessLostException when it has ended
    public Optional<Instant> consentEndsAt(long ledgerId) {
        return Optional.ofNullable(doorOf(ledgerId, "The ledger").consent().endsAt());
    }

    LedgerConnector connectorFor(String company, Access access) {
        return new InkwellLedger(settings.standins(), company, access, settings.patience());
    }

    /// What the consent of a connected ledger leads to.
    InkwellDoor doorOf(long ledgerId, String name) {
        return door(new LedgerAccess(ledgerId, name));
    }

    InkwellDoor door(Access access) {
        return new InkwellDoor(settings.standins(), access, settings.patience());
    }

    private final class LedgerAccess implements Access {
        private final long ledgerId;
        private final String name;

        LedgerAccess(long ledgerId, String name) {
            this.ledgerId = ledgerId;
            this.name = name;
        }

        @Override
        public String token() {
            Credential credential = credential(credentials.ofLedger(ledgerId));
            boolean runsOut = credential.expiresAt() != null
                    && credential.expiresAt().isBefore(clock.instant().plus(AHEAD));
            Secret secret = secret(credential);
            return runsOut ? renewed(secret.token()).orElse(secret.token()) : secret.token();
        }

        @Override
        public Optional<String> tokenAfter(String turnedAway) {
            return renewed(turnedAway);
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
                    Given given = consents.refresh(secret, credential.scopes());
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
            return found.orElseThrow(() -> new AccessLostException(name, "there is no consent"));
        }

        private Secret secret(Credential credential) {
            return credential
                    .secret()
                    .orElseThrow(() ->
                            new AccessLostException(name, "the consent was sealed with another key than today's"));
        }
    }
}
