package alcabala.server.crossing;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.sync.Crossed;
import alcabala.accounting.sync.LineMatch;
import alcabala.connectors.Kept;
import alcabala.connectors.Unusable;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.connection.SetAsides;
import alcabala.server.crossing.LinkedThere.Linked;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import alcabala.server.trail.Trail;
import java.time.Clock;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/// Takes in records as they were read on a ledger: what is paid of them, and what was changed there. What Alcabala
/// itself wrote is no news, and of what is as it was before nothing is written.
@Component
class SeenThere {
    private final Beyond beyond;
    private final EnteredThere entered;
    private final LinkedThere linkedThere;
    private final BookedLines booked;
    private final FieldsBack fields;
    private final CrosswalkStore crosswalk;
    private final Settlements settlements;
    private final Gone gone;
    private final SettingStore settings;
    private final SetAsides setAsides;
    private final Outcomes outcomes;
    private final Links links;
    private final EditedThere edited;
    private final Trail trail;
    private final JdbcClient jdbc;
    private final JsonMapper json;
    private final Clock clock;

    /// How many were paid otherwise, changed or deleted, by somebody else.
    record Came(int payments, int edits, int gone) {
        static final Came NOTHING = new Came(0, 0, 0);

        Came plus(Came other) {
            return new Came(payments + other.payments, edits + other.edits, gone + other.gone);
        }
    }

    SeenThere(
            Beyond beyond,
            EnteredThere entered,
            LinkedThere linkedThere,
            BookedLines booked,
            FieldsBack fields,
            CrosswalkStore crosswalk,
            Settlements settlements,
            Gone gone,
            SettingStore settings,
            SetAsides setAsides,
            Outcomes outcomes,
            Links links,
            EditedThere edited,
            Trail trail,
            JdbcClient jdbc,
            JsonMapper json,
            Clock clock) {
        this.beyond = beyond;
        this.entered = entered;
        this.linkedThere = linkedThere;
        this.booked = booked;
        this.fields = fields;
        this.crosswalk = crosswalk;
        this.settlements = settlements;
        this.gone = gone;
        this.settings = settings;
        this.setAsides = setAsides;
        this.outcomes = outcomes;
        this.links = links;
        this.edited = edited;
        this.trail = trail;
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    /// What a route brings back: asked for once for many records.
    private record Back(boolean payments, List<CrosswalkRow> fields, Crossed crossed) {}

    /// Within the caller's transaction. Of several versions of one the last counts.
    Came take(RouteRow route, List<LedgerRecord> records, String who) {
        Map<String, LedgerRecord> latest = new LinkedHashMap<>();
        records.forEach(record -> latest.put(record.id(), record));
        Map<String, Linked> known = linkedThere.of(route.ledgerId(), latest.values());
        booked.keep(
                route.ledgerId(),
                latest.values().stream()
                        .filter(record -> !known.containsKey(record.id())
                                || !known.get(record.id()).same())
                        .toList());
        Map<Long, Back> back = new HashMap<>();
        Came came = Came.NOTHING;
        for (LedgerRecord record : latest.values()) {
            Linked linked = inThisMoment(route, known.get(record.id()), record);
            if (linked == null) {
                stranger(route, record);
            } else if (record.version() < linked.version()) {
                // Feeds may skip back: what is older than what is known is no news (synchronisation, "order").
                continue;
            } else if (record.isIn(CurrencyUnit.of(linked.currency()))) {
                if (linked.gone()) {
                    gone.isThereAgain(linked.routeId(), linked.recordId(), who);
                }
                Back brings = back.computeIfAbsent(linked.routeId(), this::back);
                enteredThere(route, linked, record, brings);
                came = came.plus(take(linked, record, brings, who));
            } else {
                setAsides.keepOfLedger(route.ledgerId(), finer(record, linked.currency()));
            }
        }
        return came;
    }

    /// What was on its way when it was looked at may have come back since: its answer, or a refusal. Held against what
    /// was agreed on before, the answer would be taken for somebody's edit, and an edit for what is on its way.
    private Linked inThisMoment(RouteRow route, Linked looked, LedgerRecord record) {
        if (looked == null || !looked.onItsWay()) {
            return looked;
        }
        outcomes.hold(looked.recordId());
        return linkedThere.of(route.ledgerId(), List.of(record)).get(record.id());
    }

    private Back back(long routeId) {
        boolean payments = !settings.of(routeId).is(Topic.DIRECTION, Carried.PAYMENTS, "none");
        return new Back(payments, fields.rows(routeId), crosswalk.crossed(routeId));
    }

    private void stranger(RouteRow route, LedgerRecord record) {
        if (!record.isVoided()) {
            beyond.note(route, record);
        }
        entered.note(route.ledgerId(), record);
    }

    /// What was entered there and is changed there since goes to its source once more; what was taken back before it
    /// went does not go.
    private void enteredThere(RouteRow route, Linked linked, LedgerRecord record, Back back) {
        if (!linked.fromLedger()) {
            return;
        }
        if (record.isVoided()) {
            outcomes.endedThere(linked.recordId());
            // A change that waits to be brought is older than that.
            entered.forget(route.ledgerId(), record.id());
        } else if (record.recordKind().isDocument()) {
            if (back.crossed().differsThere(Links.read(linked.ledgerHalf()), record.half())) {
                entered.note(route.ledgerId(), record);
            } else if (!linked.same()) {
                // Changed and changed back before the change could go.
                entered.forget(route.ledgerId(), record.id());
            }
        }
    }

    private Came take(Linked linked, LedgerRecord record, Back back, String who) {
        boolean paid = back.payments() && linked.minor(record.paid()) != linked.paid();
        // What is under way of what was entered there goes to its source: what is read there is none of it.
        boolean differs = linked.onItsWay() && !linked.fromLedger()
                ? linked.differs()
                : read(linked, record, back).differs();
        if (linked.same() && !paid && differs == linked.differs()) {
            return Came.NOTHING;
        }
        boolean news = paid && !isOurs(linked, record);
        boolean edited = differs && !linked.onItsWay() && record.version() > linked.version() && !paid;
        write(linked, record, paid, news, differs, back, who);
        return new Came(news ? 1 : 0, edited ? 1 : 0, 0);
    }

    private static EditedThere.Read read(Linked linked, LedgerRecord record, Back back) {
        return new EditedThere.Read(
                linked.routeId(),
                linked.recordId(),
                linked.currency(),
                back.crossed(),
                Links.read(linked.ledgerHalf()),
                record);
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

    /// Changed there, and then once more: what stood there in between was seen.
    private boolean isChangedAgain(Linked linked, LedgerRecord record) {
        return !linked.onItsWay()
                && record.version() > linked.version()
                && links.findSeen(linked.recordId())
                        .filter(seen -> LineMatch.differs(seen.half(), record.half()))
                        .isPresent();
    }

    private void write(
            Linked linked, LedgerRecord record, boolean paid, boolean news, boolean differs, Back back, String who) {
        boolean told = differs != linked.differs() || differs && isChangedAgain(linked, record);
        outcomes.seen(
                linked.recordId(),
                record,
                paid ? linked.minor(record.paid()) : linked.paid(),
                linked.minor(record.gross()),
                differs);
        if (!back.fields().isEmpty() && record.recordKind().isDocument()) {
            fields.note(
                    linked.routeId(), linked.recordId(), back.fields(), links.findSeen(linked.recordId()), record, who);
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
                    Map.of("paid", linked.decimal(record.paid()), "gross", linked.decimal(record.gross())));
        }
        if (told) {
            edited.tell(read(linked, record, back), differs, who);
        }
    }
}
