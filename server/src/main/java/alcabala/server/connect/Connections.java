package alcabala.server.connect;

import alcabala.connectors.AccessLostException;
import alcabala.connectors.http.InkwellDoor;
import alcabala.connectors.ledger.CompanyOffer;
import alcabala.connectors.ledger.LedgerCompany;
import alcabala.connectors.ledger.LedgerConnector;
import alcabala.server.connect.ConsentRequests.Pending;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Settings;
import alcabala.server.trail.Trail;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/// Connects ledgers and sources, again and no more. A ledger keeps its crosswalks and its trail whatever becomes of its
/// connection.
@Component
public class Connections {
    private final JdbcClient jdbc;
    private final Ledgers ledgers;
    private final Sources sources;
    private final Credentials credentials;
    private final ConsentRequests requests;
    private final Settings settings;
    private final Trail trail;
    private final TransactionTemplate transaction;
    private final Clock clock;

    /// A company that a consent leads to, and the ledger here that it is connected as, if it is.
    record Offer(CompanyOffer company, String connectedAs) {}

    record Tested(boolean answers, String sentence, long milliseconds) {}

    private record Known(String name, String company, String companyName, String booksId, boolean connected) {}

    Connections(
            JdbcClient jdbc,
            Ledgers ledgers,
            Sources sources,
            Credentials credentials,
            ConsentRequests requests,
            Settings settings,
            Trail trail,
            TransactionTemplate transaction,
            Clock clock) {
        this.jdbc = jdbc;
        this.ledgers = ledgers;
        this.sources = sources;
        this.credentials = credentials;
        this.requests = requests;
        this.settings = settings;
        this.trail = trail;
        this.transaction = transaction;
        this.clock = clock;
    }

    List<Offer> offers(Pending pending) {
        return ledgers.door(pending.access()).companies().stream()
                .map(company -> new Offer(company, findConnected(company.id()).orElse("")))
                .toList();
    }

    /// Connects a company for the first time here.
    ///
    /// @return the id of the new ledger; nothing of it is pulled yet
    public long connect(Pending pending, String company, String name, String who) {
        CompanyOffer offer = offer(pending, company);
        findConnected(company).ifPresent(ledger -> {
            throw NotPossibleException.conflict(
                    "already-connected",
                    "%s is connected already, as %s. A second connection would send every document twice."
                            .formatted(offer.name(), ledger));
        });
        LedgerCompany settled = ledgers.connectorFor(company, pending.access()).company();
        InkwellDoor.Consent consent = ledgers.door(pending.access()).consent();
        return transaction.execute(status -> {
            String called = name.isBlank() ? "Inkwell, " + offer.name() : name.trim();
            long id = insert(offer, settled, called, who);
            keep(id, pending, consent);
            trail.write(null, null, who, "ledger-connected", Map.of("ledger", called, "company", offer.name()));
            return id;
        });
    }

    private long insert(CompanyOffer offer, LedgerCompany company, String name, String who) {
        try {
            return jdbc.sql("""
                    insert into ledger (name, system, company, company_name, desk, currency, tax_rounding, name_limit,
                        locked_through, connected_by, connected_at)
                    values (:name, 'inkwell', :company, :companyName, :desk, :currency, :rounding, :limit, :locked, :who, :now)
                    returning id""")
                    .param("name", name)
                    .param("company", offer.id())
                    .param("companyName", offer.name())
                    .param("desk", settings.standins() + "/inkwell/books/" + offer.id())
                    .param("currency", company.currency())
                    .param("rounding", company.taxRounding().name())
                    .param("limit", company.itemNameLimit())
                    .param("locked", company.lockedThrough())
                    .param("who", who)
                    .param("now", Timestamp.from(clock.instant()))
                    .query(Long.class)
                    .single();
        } catch (DuplicateKeyException e) {
            throw NotPossibleException.conflict(
                    "name-taken", "There is a ledger named " + name + " already; give this one another name.");
        }
    }

    /// Connects a ledger again, to the company it was connected to before.
    void reconnect(Pending pending, String company, String who) {
        long id = pending.ledgerId();
        Known known = known(id);
        CompanyOffer offer = offer(pending, company);
        if (!known.company().equals(company)) {
            throw NotPossibleException.conflict(
                    "another-company",
                    "%s keeps the books of %s, and its crosswalks and posted documents belong to them; %s is another company. Choose %s, or move the route to the other company on purpose."
                            .formatted(known.name(), known.companyName(), offer.name(), known.companyName()));
        }
        String books = ledgers.connectorFor(company, pending.access()).company().booksId();
        if (!known.booksId().isEmpty() && !known.booksId().equals(books)) {
            throw NotPossibleException.conflict(
                    "other-books",
                    "%s now stands for other books than those that were connected; what was posted before is not in them. Put the right books back in Inkwell, or disconnect, connect anew, and move the route on purpose."
                            .formatted(offer.name()));
        }
        findConnected(company).filter(name -> !name.equals(known.name())).ifPresent(other -> {
            throw NotPossibleException.conflict(
                    "already-connected", offer.name() + " is connected meanwhile, as " + other + ".");
        });
        InkwellDoor.Consent consent = ledgers.door(pending.access()).consent();
        transaction.executeWithoutResult(status -> {
            jdbc.sql("update ledger set connected = true, connected_by = :who, connected_at = :now where id = :id")
                    .param("who", who)
                    .param("now", Timestamp.from(clock.instant()))
                    .param("id", id)
                    .update();
            keep(id, pending, consent);
            trail.write(
                    null, null, who, "ledger-connected-again", Map.of("ledger", known.name(), "company", offer.name()));
        });
    }

    private CompanyOffer offer(Pending pending, String company) {
        return ledgers.door(pending.access()).companies().stream()
                .filter(each -> each.id().equals(company))
                .findFirst()
                .orElseThrow(() -> NotPossibleException.missing("company " + company + " in this consent"));
    }

    private void keep(long id, Pending pending, InkwellDoor.Consent consent) {
        credentials.keepForLedger(
                id, pending.secret().orElseThrow(), pending.scopes(), pending.expiresAt(), consent.endsAt());
        requests.used(pending.state());
    }

    /// Crosswalks, links and trail stay; nothing can be sent or pulled until it is connected again.
    @Transactional
    public void disconnect(long id, String who) {
        Known known = known(id);
        int open = jdbc.sql("""
                select count(*) from dispatch p join batch b on b.id = p.batch_id join route r on r.id = b.route_id
                where r.ledger_id = :id and p.outcome in ('queued', 'sending', 'unconfirmed')""").param("id", id).query(Integer.class).single();
        if (open > 0) {
            throw NotPossibleException.conflict(
                    "on-its-way",
                    open + " documents are on their way to " + known.name() + ". Wait until their batch has ended.");
        }
        jdbc.sql("update ledger set connected = false where id = :id")
                .param("id", id)
                .update();
        credentials.forgetLedger(id);
        trail.write(
                null, null, who, "ledger-disconnected", Map.of("ledger", known.name(), "company", known.companyName()));
    }

    /// Asks the ledger for its company, and says how long that took.
    Tested test(long id) {
        Known known = known(id);
        Instant start = clock.instant();
        LedgerConnector ledger = ledgers.of(id);
        LedgerCompany company = ledger.company();
        long took = Duration.between(start, clock.instant()).toMillis();
        if (!company.id().equals(known.company())) {
            return new Tested(false, "It answers for " + company.name() + ", which is another company.", took);
        }
        InkwellDoor.Consent consent = ledgers.doorOf(id, known.name()).consent();
        jdbc.sql("update credential set consent_ends_at = :ends where ledger_id = :id")
                .param(
                        "ends",
                        consent.endsAt() == null ? null : Timestamp.from(consent.endsAt()),
                        java.sql.Types.TIMESTAMP)
                .param("id", id)
                .update();
        return new Tested(true, company.name() + " answers.", took);
    }

    /// Connects an operational app, or connects it again, by its key.
    public long connectSource(Long id, App app, String name, String key, String who) {
        tryKey(app, key);
        return transaction.execute(status -> {
            long source = id == null ? insertSource(app, name) : id;
            int rows = jdbc.sql("update source set connected = true where id = :id and system = :system")
                    .param("id", source)
                    .param("system", app.system())
                    .update();
            if (rows == 0) {
                throw NotPossibleException.missing("app " + source);
            }
            credentials.keepForSource(source, key);
            trail.write(null, null, who, "source-connected", Map.of("source", sourceName(source)));
            return source;
        });
    }

    private String sourceName(long id) {
        return jdbc.sql("select name from source where id = :id")
                .param("id", id)
                .query(String.class)
                .single();
    }

    private void tryKey(App app, String key) {
        try {
            sources.withKey(app.system(), key).changes(0, 1);
        } catch (AccessLostException e) {
            throw NotPossibleException.invalid(
                    "key-wrong", e.system() + " does not take this key. Nothing was kept; look it up there again.");
        }
    }

    private long insertSource(App app, String name) {
        try {
            return jdbc.sql("""
                    insert into source (name, kind, system, desk) values (:name, 'app', :system, :desk) returning id""")
                    .param("name", name.isBlank() ? app.title() : name.trim())
                    .param("system", app.system())
                    .param("desk", settings.standins() + "/" + app.system())
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
    public void disconnectSource(long id, String who) {
        int rows = jdbc.sql("update source set connected = false where id = :id and system <> 'files'")
                .param("id", id)
                .update();
        if (rows == 0) {
            throw NotPossibleException.missing("app " + id);
        }
        credentials.forgetSource(id);
        trail.write(null, null, who, "source-disconnected", Map.of("source", sourceName(id)));
    }

    private Optional<String> findConnected(String company) {
        return jdbc.sql("select name from ledger where system = 'inkwell' and company = :company and connected")
                .param("company", company)
                .query(String.class)
                .optional();
    }

    private Known known(long id) {
        return jdbc.sql("select name, company, company_name, books_id, connected from ledger where id = :id")
                .param("id", id)
                .query(Known.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("ledger " + id));
    }
}
