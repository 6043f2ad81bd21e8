package alcabala.server.connection;

import alcabala.connectors.AccessLostException;
import alcabala.connectors.ledger.CompanyOffer;
import alcabala.connectors.ledger.DescribesCompany;
import alcabala.connectors.ledger.LedgerCompany;
import alcabala.connectors.ledger.LedgerConsent;
import alcabala.connectors.ledger.OffersCompanies;
import alcabala.connectors.ledger.ShowsConsent;
import alcabala.connectors.source.TellsChanges;
import alcabala.connectors.spi.Connection;
import alcabala.connectors.spi.ConnectionKind;
import alcabala.server.connection.ConsentRequests.Pending;
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
    private final Kinds kinds;
    private final Reach reach;
    private final Map<String, String> addresses;
    private final Trail trail;
    private final TransactionTemplate transaction;
    private final Clock clock;

    /// A company that a consent leads to, and the ledger here that it is connected as, if it is.
    public record Offer(CompanyOffer company, String connectedAs) {}

    public record Tested(boolean answers, String sentence, long milliseconds) {}

    private record Known(String name, String company, String companyName, String booksId, boolean connected) {}

    Connections(
            JdbcClient jdbc,
            Ledgers ledgers,
            Sources sources,
            Credentials credentials,
            ConsentRequests requests,
            Kinds kinds,
            Reach reach,
            Settings settings,
            Trail trail,
            TransactionTemplate transaction,
            Clock clock) {
        this.jdbc = jdbc;
        this.ledgers = ledgers;
        this.sources = sources;
        this.credentials = credentials;
        this.requests = requests;
        this.kinds = kinds;
        this.reach = reach;
        this.addresses = settings.addresses();
        this.trail = trail;
        this.transaction = transaction;
        this.clock = clock;
    }

    public List<Offer> offers(Pending pending) {
        return door(pending).get(OffersCompanies.class).companies().stream()
                .map(company ->
                        new Offer(company, findConnected(pending, company.id()).orElse("")))
                .toList();
    }

    /// Connects a company for the first time here.
    ///
    /// @return the id of the new ledger; nothing of it is pulled yet
    public long connect(Pending pending, String company, String name, String who) {
        CompanyOffer offer = offer(pending, company);
        findConnected(pending, company).ifPresent(ledger -> {
            throw NotPossibleException.conflict(
                    "already-connected",
                    "%s is connected already, as %s. A second connection would send every document twice."
                            .formatted(offer.name(), ledger));
        });
        LedgerCompany settled =
                open(pending, company).get(DescribesCompany.class).company();
        Optional<LedgerConsent> consent = door(pending).find(ShowsConsent.class).map(ShowsConsent::consent);
        return transaction.execute(status -> {
            String called = name.isBlank() ? kinds.get(pending.system()).name() + ", " + offer.name() : name.trim();
            long id = insert(pending, offer, settled, called, who);
            keep(id, pending, consent);
            trail.write(null, null, who, "ledger-connected", Map.of("ledger", called, "company", offer.name()));
            return id;
        });
    }

    private long insert(Pending pending, CompanyOffer offer, LedgerCompany company, String name, String who) {
        try {
            return jdbc.sql("""
                    insert into ledger (name, system, company, company_name, desk, currency, tax_rounding, name_limit,
                        locked_through, connected_by, connected_at, address)
                    values (:name, :system, :company, :companyName, :desk, :currency, :rounding, :limit, :locked, :who, :now, :address)
                    returning id""")
                    .param("name", name)
                    .param("company", offer.id())
                    .param("companyName", offer.name())
                    .param("system", pending.system())
                    .param("address", pending.address())
                    .param("desk", kinds.get(pending.system()).desk(ledgers.place(pending.address(), offer.id())))
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
    public void reconnect(Pending pending, String company, String who) {
        long id = pending.ledgerId();
        Known known = known(id);
        CompanyOffer offer = offer(pending, company);
        if (!known.company().equals(company)) {
            throw NotPossibleException.conflict(
                    "another-company",
                    "%s keeps the books of %s, and its crosswalks and posted documents belong to them; %s is another company. Choose %s, or move the route to the other company on purpose."
                            .formatted(known.name(), known.companyName(), offer.name(), known.companyName()));
        }
        String books =
                open(pending, company).get(DescribesCompany.class).company().booksId();
        if (!known.booksId().isEmpty() && !known.booksId().equals(books)) {
            throw NotPossibleException.conflict(
                    "other-books",
                    "%s now stands for other books than those that were connected; what was posted before is not in them. Put the right books back in %s, or disconnect, connect anew, and move the route on purpose."
                            .formatted(offer.name(), kinds.get(pending.system()).name()));
        }
        findConnected(pending, company)
                .filter(name -> !name.equals(known.name()))
                .ifPresent(other -> {
                    throw NotPossibleException.conflict(
                            "already-connected", offer.name() + " is connected meanwhile, as " + other + ".");
                });
        Optional<LedgerConsent> consent = door(pending).find(ShowsConsent.class).map(ShowsConsent::consent);
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

    /// Before a company is chosen.
    private Connection door(Pending pending) {
        return open(pending, "");
    }

    private Connection open(Pending pending, String company) {
        return kinds.get(pending.system()).open(ledgers.place(pending.address(), company), pending.access());
    }

    private CompanyOffer offer(Pending pending, String company) {
        return door(pending).get(OffersCompanies.class).companies().stream()
                .filter(each -> each.id().equals(company))
                .findFirst()
                .orElseThrow(() -> NotPossibleException.missing("company " + company + " in this consent"));
    }

    private void keep(long id, Pending pending, Optional<LedgerConsent> consent) {
        credentials.keepForLedger(
                id,
                pending.secret().orElseThrow(),
                pending.scopes(),
                pending.expiresAt(),
                consent.map(LedgerConsent::endsAt).orElse(null));
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
    public Tested test(long id) {
        Known known = known(id);
        Instant start = clock.instant();
        LedgerCompany company = ledgers.of(id).get(DescribesCompany.class).company();
        long took = Duration.between(start, clock.instant()).toMillis();
        if (!company.id().equals(known.company())) {
            return new Tested(false, "It answers for " + company.name() + ", which is another company.", took);
        }
        credentials.consentEnds(id, ledgers.consentEndsAt(id));
        return new Tested(true, company.name() + " answers.", took);
    }

    /// Connects an operational app, or connects it again, by its key.
    ///
    /// @param id null for a new one
    /// @param address empty for that of the one that is connected again
    public long connectSource(Long id, String kind, String name, String address, String key, String who) {
        ConnectionKind of = kinds.get(id == null ? kind : systemOf(id));
        String there = reach.typed(id == null || !address.isBlank() ? address : addressOf(id));
        tryKey(of, there, key);
        return transaction.execute(status -> {
            long source = id == null ? insertSource(of, name, there) : id;
            jdbc.sql("update source set connected = true, address = :address where id = :id")
                    .param("id", source)
                    .param("address", there)
                    .update();
            credentials.keepForSource(source, key);
            trail.write(null, null, who, "source-connected", Map.of("source", sourceName(source)));
            return source;
        });
    }

    private String systemOf(long source) {
        return jdbc.sql("select system from source where id = :id and kind = 'app'")
                .param("id", source)
                .query(String.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("app " + source));
    }

    private String addressOf(long source) {
        return jdbc.sql("select address from source where id = :id")
                .param("id", source)
                .query(String.class)
                .single();
    }

    private String sourceName(long id) {
        return jdbc.sql("select name from source where id = :id")
                .param("id", id)
                .query(String.class)
                .single();
    }

    private void tryKey(ConnectionKind kind, String address, String key) {
        try {
            sources.withKey(kind, address, key).get(TellsChanges.class).changes(0, 1);
        } catch (AccessLostException e) {
            throw NotPossibleException.invalid(
                    "key-wrong", e.system() + " does not take this key. Nothing was kept; look it up there again.");
        }
    }

    private long insertSource(ConnectionKind kind, String name, String address) {
        try {
            return jdbc.sql("""
                    insert into source (name, kind, system, desk, address) values (:name, 'app', :system, :desk, :address)
                    returning id""")
                    .param("name", name.isBlank() ? kind.name() : name.trim())
                    .param("system", kind.code())
                    .param("desk", kind.desk(ledgers.place(address, "")))
                    .param("address", address)
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

    /// A ledger that cannot be asked. One that was here before is taken up again, with its lists and all that leads to
    /// it.
    @Transactional
    public long addLedgerOfFiles(String kind, String name, String company, String currency, String who) {
        ConnectionKind of = kinds.get(kind);
        Optional<Long> known = jdbc.sql("""
                update ledger set connected = true where name = :name and company = :company and system = :system
                    and currency = :currency and not connected returning id""")
                .param("name", name)
                .param("company", company)
                .param("system", of.code())
                .param("currency", currency)
                .query(Long.class)
                .optional();
        if (known.isPresent()) {
            trail.write(null, null, who, "ledger-connected-again", Map.of("ledger", name, "company", company));
            return known.get();
        }
        try {
            long id = jdbc.sql("""
                    insert into ledger (name, system, company, company_name, desk, currency, tax_rounding, name_limit,
                        one_tax_code, connected_by, connected_at)
                    values (:name, :system, :company, :company, :desk, :currency, :rounding, :limit, :oneCode, :who, :now)
                    returning id""")
                    .param("name", name)
                    .param("system", of.code())
                    .param("company", company)
                    .param("desk", addresses.getOrDefault(of.code(), ""))
                    .param("currency", currency)
                    .param("rounding", of.books().taxRounding().name())
                    .param("limit", of.books().nameLimit())
                    .param("oneCode", of.books().oneTaxCode())
                    .param("who", who)
                    .param("now", Timestamp.from(clock.instant()))
                    .query(Long.class)
                    .single();
            trail.write(null, null, who, "ledger-connected", Map.of("ledger", name, "company", company));
            return id;
        } catch (DuplicateKeyException e) {
            throw NotPossibleException.conflict(
                    "already-connected",
                    "A ledger named " + name + ", or the books of " + company + ", are there already.");
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

    private Optional<String> findConnected(Pending pending, String company) {
        return jdbc.sql("""
                select name from ledger where system = :system and address = :address and company = :company and connected""")
                .param("system", pending.system())
                .param("address", pending.address())
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
