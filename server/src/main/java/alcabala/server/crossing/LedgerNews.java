package alcabala.server.crossing;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.Topic;
import alcabala.connectors.Kept;
import alcabala.connectors.Unusable;
import alcabala.connectors.ledger.FeedsChanges;
import alcabala.connectors.ledger.LedgerFeed;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.connection.Ledgers;
import alcabala.server.connection.SetAsides;
import alcabala.server.platform.Amounts;
import alcabala.server.reference.ReferencePull;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import alcabala.server.trail.Trail;
import java.math.BigDecimal;
import java.time.Clock;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/// Brings back what happened on the ledger: payments, and edits of what was posted. What Alcabala itself wrote is no
/// news.
@Component
public class LedgerNews {
    private static final int PAGE = 200;
    private final Ledgers ledgers;
    private final ReferencePull pull;
    private final SettingStore settings;
    private final SetAsides setAsides;
    private final Beyond beyond;
    private final EnteredThere entered;
    private final BookedLines booked;
    private final FieldsBack fields;
    private final Settlements settlements;
    private final Outcomes outcomes;
    private final Links links;
    private final Restorations restorations;
    private final Trail trail;
    private final JdbcClient jdbc;
    private final TransactionTemplate transaction;
    private final JsonMapper json;
    private final Clock clock;

    /// What was brought back.
    ///
    /// @param news whether checks may find otherwise now: masters changed, or somebody entered a document
    public record Brought(int payments, int edits, boolean referenceChanged, boolean news) {
        public static final Brought NOTHING = new Brought(0, 0, false, false);
    }

    /// @param onItsWay whether an update of ours is under way: what is read then may be that
    private record Linked(
            long recordId,
            long routeId,
            String ledgerHalf,
            String currency,
            long paid,
            boolean differs,
            int version,
            boolean onItsWay) {
        long minor(BigDecimal amount) {
            return Amounts.minor(currency, amount);
        }
    }

    LedgerNews(
            Ledgers ledgers,
            ReferencePull pull,
            SettingStore settings,
            SetAsides setAsides,
            Beyond beyond,
            EnteredThere entered,
            BookedLines booked,
            FieldsBack fields,
            Settlements settlements,
            Outcomes outcomes,
            Links links,
            Restorations restorations,
            Trail trail,
            JdbcClient jdbc,
            TransactionTemplate transaction,
            JsonMapper json,
            Clock clock) {
        this.ledgers = ledgers;
        this.pull = pull;
        this.settings = settings;
        this.setAsides = setAsides;
        this.beyond = beyond;
        this.entered = entered;
        this.booked = booked;
        this.fields = fields;
        this.settlements = settlements;
        this.outcomes = outcomes;
        this.links = links;
        this.restorations = restorations;
        this.trail = trail;
        this.jdbc = jdbc;
        this.transaction = transaction;
        this.json = json;
        this.clock = clock;
    }

    public Brought bring(RouteRow route, String who) {
        FeedsChanges ledger = ledgers.of(route.ledgerId()).get(FeedsChanges.class);
        int payments = 0;
        int edits = 0;
        boolean changed = false;
        boolean news = false;
        boolean first = true;
        boolean more = true;
        while (more) {
            long cursor = cursor(route.ledgerId());
            LedgerFeed feed = ledger.changes(cursor, PAGE);
            // Whatever the news name is known before they are taken in.
            if (first && !pull.isAsOf(route.ledgerId(), feed.referenceVersion())) {
                changed = pull.pull(route.ledgerId(), who);
                news = true;
            }
            first = false;
            // What was there before anything was heard is no news.
            news |= cursor > 0 && feed.records().stream().anyMatch(LedgerNews::isStranger);
            int[] counts = transaction.execute(status -> apply(route, cursor, feed, who));
            payments += counts[0];
            edits += counts[1];
            more = feed.more();
        }
        beyond.claim(route.ledgerId(), who);
        entered.bringBack(route.ledgerId(), who);
        fields.tell(route.ledgerId(), who);
        restorations.accounted(route.ledgerId());
        return new Brought(payments, edits, changed, news);
    }

    /// Its number may be one that a document of ours is to have.
    private static boolean isStranger(LedgerRecord record) {
        return record.recordKind().isDocument() && record.externalReference() == null;
    }

    private long cursor(long ledgerId) {
        return jdbc.sql("select cursor from ledger where id = :id")
                .param("id", ledgerId)
                .query(Long.class)
                .single();
    }

    /// A page with its cursor in one transaction; the same page twice changes nothing.
    private int[] apply(RouteRow route, long cursor, LedgerFeed feed, String who) {
        int rows = jdbc.sql("update ledger set cursor = :next where id = :id and cursor = :cursor")
                .param("next", feed.next())
                .param("id", route.ledgerId())
                .param("cursor", cursor)
                .update();
        if (rows == 0) {
            return new int[] {0, 0};
        }
        feed.setAside().forEach(record -> setAsides.keepOfLedger(route.ledgerId(), record));
        setAsides.settleOfLedger(
                route.ledgerId(), feed.records().stream().map(LedgerRecord::id).toList());
        Map<String, LedgerRecord> latest = new LinkedHashMap<>();
        feed.records().forEach(record -> latest.put(record.id(), record));
        booked.keep(route.ledgerId(), latest.values());
        Map<Long, List<CrosswalkRow>> back = new HashMap<>();
        int payments = 0;
        int edits = 0;
        for (LedgerRecord record : latest.values()) {
            Optional<Linked> linked = find(route.ledgerId(), record.id());
            if (linked.isPresent() && !record.isIn(CurrencyUnit.of(linked.get().currency()))) {
                setAsides.keepOfLedger(
                        route.ledgerId(), finer(record, linked.get().currency()));
            } else if (linked.isEmpty()) {
                if (!record.isVoided()) {
                    beyond.note(route, record);
                }
                entered.note(route.ledgerId(), record);
            } else {
                boolean paid = bringsPayments(linked.get().routeId())
                        && linked.get().minor(record.paid()) != linked.get().paid();
                boolean news = paid && !isOurs(linked.get(), record);
                boolean differs = linked.get().onItsWay()
                        ? linked.get().differs()
                        : !Links.read(linked.get().ledgerHalf())
                                .differing(record.half())
                                .isEmpty();
                payments += news ? 1 : 0;
                edits += differs
                                && !linked.get().onItsWay()
                                && record.version() > linked.get().version()
                                && !paid
                        ? 1
                        : 0;
                write(
                        linked.get(),
                        record,
                        paid,
                        news,
                        differs,
                        back.computeIfAbsent(linked.get().routeId(), fields::rows),
                        who);
            }
        }
        return new int[] {payments, edits};
    }

    private Unusable finer(LedgerRecord record, String currency) {
        return new Unusable(
                "document",
                record.id(),
                "document " + record.number(),
                "its sums are finer than " + currency + " allows",
                Kept.text(json.writeValueAsString(record)));
    }

    /// What our own settlements settled since the document was last seen is no news, whether the ledger's answer to the
    /// last of them was heard or not; nor is what they took back.
    private boolean isOurs(Linked linked, LedgerRecord record) {
        record Own(long done, long underWay) {}
        if (!record.recordKind().isDocument()) {
            return true;
        }
        Own own = jdbc.sql("""
                select coalesce(sum(case s.outcome when 'posted' then a.settled when 'cancelled' then -a.settled end)
                        filter (where s.crossed_at >= l.seen_at), 0) as done,
                    coalesce(sum(case when s.ledger_ref is null then a.settled else -a.settled end)
                        filter (where s.outcome in ('queued', 'sending', 'unconfirmed')), 0) as under_way
                from record d join link l on l.record_id = d.id
                    join allocation a on a.number = d.number and a.kind = d.kind
                    join record s on s.id = a.record_id and s.source_id = d.source_id and s.origin = 'source'
                where d.id = :id""").param("id", linked.recordId()).query(Own.class).single();
        long paid = linked.minor(record.paid()) - linked.paid();
        long with = own.done() + own.underWay();
        return paid >= Math.min(own.done(), with) && paid <= Math.max(own.done(), with);
    }

    private boolean bringsPayments(long routeId) {
        return !settings.of(routeId).is(Topic.DIRECTION, Carried.PAYMENTS, "none");
    }

    private Optional<Linked> find(long ledgerId, String ledgerRef) {
        return jdbc.sql("""
                select l.record_id, d.route_id, l.ledger_half, d.currency, d.paid, d.ledger_differs as differs, d.ledger_version as version,
                    d.outcome in ('queued', 'sending', 'unconfirmed') as on_its_way
                from link l join record d on d.id = l.record_id where l.ledger_id = :ledger and l.ledger_ref = :ref""")
                .param("ledger", ledgerId)
                .param("ref", ledgerRef)
                .query(Linked.class)
                .optional();
    }

    /// @param back the fields that come back on its route
    private void write(
            Linked linked,
            LedgerRecord record,
            boolean paid,
            boolean news,
            boolean differs,
            List<CrosswalkRow> back,
            String who) {
        outcomes.seen(
                linked.recordId(),
                record,
                paid ? linked.minor(record.paid()) : linked.paid(),
                linked.minor(record.gross()),
                differs);
        if (!back.isEmpty() && record.fields() != null) {
            fields.note(linked.routeId(), linked.recordId(), back, links.findSeen(linked.recordId()), record, who);
        }
        links.seen(linked.recordId(), record, clock.instant());
        if (paid) {
            settlements.of(linked.recordId(), "is paid otherwise");
        }
        if (news) {
            trail.write(
                    linked.routeId(),
                    linked.recordId(),
                    who,
                    "payment-brought-back",
                    Map.of("paid", record.paid(), "gross", record.gross()));
        }
        if (differs != linked.differs()) {
            trail.write(
                    linked.routeId(),
                    linked.recordId(),
                    who,
                    differs ? "edited-on-ledger" : "agrees-again",
                    Map.of("gross", record.gross(), "version", record.version()));
        }
    }
}
