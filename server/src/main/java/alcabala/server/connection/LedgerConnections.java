package alcabala.server.connection;

import alcabala.connectors.ledger.CompanyOffer;
import alcabala.connectors.ledger.DescribesCompany;
import alcabala.connectors.ledger.LedgerCompany;
import alcabala.connectors.ledger.LedgerConsent;
import alcabala.connectors.ledger.OffersCompanies;
import alcabala.connectors.ledger.ShowsConsent;
import alcabala.connectors.spi.Connection;
import alcabala.connectors.spi.ConnectionKind;
import alcabala.connectors.spi.Entry;
import alcabala.connectors.spi.Side;
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

/// Connects ledgers, again and no more. A ledger keeps its crosswalks and its trail whatever becomes of its
/// connection.
@Component
public class LedgerConnections {
    private final JdbcClient jdbc;
    private final Ledgers ledgers;
    private final Credentials credentials;
    private final ConsentRequests requests;
    private final Kinds kinds;
    private final Map<String, String> addresses;
    private final Trail trail;
    private final TransactionTemplate transaction;
    private final Clock clock;

    /// A company that a consent leads to, and the ledger here that it is connected as, if it is.
    public record Offer(CompanyOffer company, String connectedAs) {}

    public record Tested(boolean answers, String sentence, long milliseconds) {}

    private record Known(String name, String company, String companyName, String booksId, boolean connected) {}

    LedgerConnections(
            JdbcClient jdbc,
            Ledgers ledgers,
            Credentials credentials,
            ConsentRequests requests,
            Kinds kinds,
            Settings settings,
            Trail trail,
            TransactionTemplate transaction,
            Clock clock) {
        this.jdbc = jdbc;
        this.ledgers = ledgers;
        this.credentials = credentials;
        this.requests = requests;
        this.kinds = kinds;
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
                        locked_through, connected_by, connected_at, address, answers)
                    values (:name, :system, :company, :companyName, :desk, :currency, :rounding, :limit, :locked, :who, :now, :address,
                        cast(:answers as jsonb))
                    returning id""")
                    .param("name", name)
                    .param("company", offer.id())
                    .param("companyName", offer.name())
                    .param("system", pending.system())
                    .param("address", pending.address())
                    .param("answers", Answers.write(pending.answers()))
                    .param(
                            "desk",
                            kinds.get(pending.system())
                                    .desk(ledgers.place(pending.address(), offer.id(), pending.answers())))
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
                    "name-taken",
                    "There is a ledger named " + name
                            + " already, or somebody connected this company at the same moment. Give it another name, or look again.");
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
        return kinds.get(pending.system())
                .open(ledgers.place(pending.address(), company, pending.answers()), pending.access());
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
                    (open == 1 ? "1 document is on its way to " : open + " documents are on their way to ")
                            + known.name() + ". Wait until their batch has ended.");
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

    /// A ledger that cannot be asked. One that was here before is taken up again, with its lists and all that leads to
    /// it.
    @Transactional
    public long addOfFiles(String kind, String name, String company, String currency, String who) {
        ConnectionKind of = kinds.get(kind);
        if (of.side() != Side.LEDGER || !(of.entry() instanceof Entry.ByFiles)) {
            throw NotPossibleException.invalid("kind-unfit", of.name() + " is no ledger that takes files.");
        }
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
