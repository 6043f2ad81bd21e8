package alcabala.server.send;

import alcabala.accounting.batch.ControlTotals;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentKind;
import alcabala.accounting.matching.ItemNames;
import alcabala.accounting.matching.PartyMatcher;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.BookingDay;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerLine;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Trigger;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.server.connect.LedgerReference;
import alcabala.server.connect.RouteRow;
import alcabala.server.connect.Routes;
import alcabala.server.connect.SettingStore;
import alcabala.server.jobs.Jobs;
import alcabala.server.map.Compilers;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.DocumentJson;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.trail.Trail;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Chooses documents, says what sending them will do, and makes the batch.
@Component
class Batches {
    private static final int LARGEST = 5000;
    /// What can go: what is not there yet, and what stands on the ledger that the route leads to and differs from the
    /// source.
    private static final String CAN_GO = """
            (d.state in ('Ready', 'Refused') or (d.state = 'Diverged' and not d.voided and exists (
                select 1 from link l join route r on r.ledger_id = l.ledger_id
                where l.document_id = d.id and r.id = d.route_id)))""";
    private final JdbcClient jdbc;
    private final Routes routes;
    private final Compilers compilers;
    private final LedgerReference reference;
    private final SettingStore settings;
    private final Trail trail;
    private final Jobs jobs;
    private final Clock clock;

    /// Which documents are meant: those named, or all sales or all purchases that are ready in a span of days.
    record Choice(List<Long> ids, LocalDate from, LocalDate to, boolean purchases) {
        static Choice named(List<Long> ids) {
            return new Choice(ids, null, null, false);
        }

        boolean isNamed() {
            return ids != null && !ids.isEmpty();
        }

        String[] kinds() {
            return Stream.of(DocumentKind.values())
                    .filter(kind -> isNamed() || kind.isSale() != purchases)
                    .map(DocumentKind::word)
                    .toArray(String[]::new);
        }
    }

    record Creation(String code, String name) {}

    /// What the batch will do, before it does anything.
    ///
    /// @param alike parties that resemble one that the batch creates: their documents stay
    /// @param inPlace how many stand on the ledger already and are changed there
    record Preview(
            List<Prepared> documents,
            ControlTotals totals,
            List<Creation> parties,
            List<Alike> alike,
            List<Creation> items,
            List<ItemNames.Collision> collisions,
            int inPlace,
            int leftOut) {
        List<Long> ids() {
            return documents.stream().map(Prepared::id).toList();
        }
    }

    /// One document of the batch, as it would go.
    record Prepared(long id, int revision, String number, boolean stands, Party party, Posting posting) {}

    /// @param like the name of the party that the batch creates
    record Alike(String code, String name, String like, int documents) {}

    private record Candidate(long id, String number, String state, int revision, String content) {
        boolean stands() {
            return state.equals("Diverged");
        }
    }

    Batches(
            JdbcClient jdbc,
            Routes routes,
            Compilers compilers,
            LedgerReference reference,
            SettingStore settings,
            Trail trail,
            Jobs jobs,
            Clock clock) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.compilers = compilers;
        this.reference = reference;
        this.settings = settings;
        this.trail = trail;
        this.jobs = jobs;
        this.clock = clock;
    }

    Preview preview(RouteRow route, Choice choice) {
        List<Candidate> candidates = candidates(route, choice);
        List<Prepared> clean = prepare(route, candidates);
        requireOneSide(clean);
        Map<String, Alike> alike = alike(clean);
        List<Prepared> going = clean.stream()
                .filter(each -> !alike.containsKey(each.party().code())
                        || !each.posting().document().partyCounterpart().isEmpty())
                .toList();
        Map<String, LedgerItem> known = new HashMap<>();
        reference.items(route.ledgerId()).forEach(item -> known.put(item.code(), item));
        Map<String, Creation> parties = new LinkedHashMap<>();
        Map<String, Creation> items = new LinkedHashMap<>();
        for (Prepared each : going) {
            if (each.posting().document().partyCounterpart().isEmpty()) {
                Party party = each.party();
                parties.putIfAbsent(party.code(), new Creation(party.code(), party.name()));
            }
            each.posting().document().lines().forEach(line -> addItem(line, known, items));
        }
        int asked = choice.isNamed() ? choice.ids().size() : candidates.size();
        return new Preview(
                going,
                totals(route, going),
                List.copyOf(parties.values()),
                List.copyOf(alike.values()),
                List.copyOf(items.values()),
                collisions(route, items.values(), known.values()),
                (int) going.stream().filter(Prepared::stands).count(),
                asked - going.size());
    }

    /// Those that compile clean now, and are not dated by their batch before the first day of their kind.
    private List<Prepared> prepare(RouteRow route, List<Candidate> candidates) {
        Compiler compiler = compilers.of(route.id());
        LocalDate today = LocalDate.now(clock);
        List<Prepared> prepared = new ArrayList<>();
        for (Candidate candidate : candidates) {
            Document document = DocumentJson.read(candidate.content());
            RouteSettings decided = compiler.route().settings();
            boolean early = BookingDay.find(document, decided).isEmpty()
                    && decided.findCutOff(document.kind())
                            .filter(today::isBefore)
                            .isPresent();
            Optional<LedgerDocument> sent =
                    early ? Optional.empty() : compiler.compile(document).ledgerDocument();
            sent.ifPresent(going -> prepared.add(new Prepared(
                    candidate.id(),
                    candidate.revision(),
                    candidate.number(),
                    candidate.stands(),
                    document.counterparty(),
                    new Posting(going, document.counterparty().name(), document.precedingNumber()))));
        }
        return prepared;
    }

    private static void requireOneSide(List<Prepared> documents) {
        long sides = documents.stream()
                .map(each -> each.posting().document().kind().isSale())
                .distinct()
                .count();
        if (sides > 1) {
            throw NotPossibleException.invalid(
                    "mixed-batch",
                    "Sales and purchases do not add up to one total. Choose the ones or the others, and send two batches.");
        }
    }

    private static ControlTotals totals(RouteRow route, List<Prepared> documents) {
        return ControlTotals.of(
                CurrencyUnit.of(route.currency()),
                documents.stream()
                        .map(each -> {
                            LedgerDocument sent = each.posting().document();
                            return new ControlTotals.Member(
                                    each.number(), sent.kind().isCredit(), sent.net(), sent.tax(), sent.gross());
                        })
                        .toList());
    }

    /// Parties that the batch would create are looked at together: whoever resembles one before it is asked about
    /// first.
    /// Somebody who said that it is a new one has been asked.
    private Map<String, Alike> alike(List<Prepared> documents) {
        Map<String, Party> fresh = new LinkedHashMap<>();
        Map<String, Integer> counts = new HashMap<>();
        for (Prepared each : documents) {
            if (each.posting().document().partyCounterpart().isEmpty()) {
                fresh.putIfAbsent(each.party().code(), each.party());
                counts.merge(each.party().code(), 1, Integer::sum);
            }
        }
        PartyMatcher matcher = new PartyMatcher(fresh.values());
        Set<String> said = saidToBeNew(documents, fresh.keySet());
        Set<String> created = new HashSet<>();
        Map<String, Alike> alike = new LinkedHashMap<>();
        for (Party party : fresh.values()) {
            Optional<Party> like = said.contains(party.code())
                    ? Optional.empty()
                    : matcher.all(party)
                            .map(alcabala.accounting.matching.Candidate::party)
                            .filter(other -> created.contains(other.code()))
                            .findFirst();
            like.ifPresentOrElse(
                    other -> alike.put(
                            party.code(),
                            new Alike(party.code(), party.name(), other.name(), counts.get(party.code()))),
                    () -> created.add(party.code()));
        }
        return alike;
    }

    private Set<String> saidToBeNew(List<Prepared> documents, Set<String> codes) {
        if (documents.isEmpty()) {
            return Set.of();
        }
        return Set.copyOf(jdbc.sql("""
                select c.code from crosswalk_row c join document d on d.route_id = c.route_id
                where d.id = :document and c.kind = 'PARTY' and c.code = any(:codes)""")
                .param("document", documents.getFirst().id())
                .param("codes", codes.toArray(String[]::new))
                .query(String.class)
                .list());
    }

    private static void addItem(LedgerLine line, Map<String, LedgerItem> known, Map<String, Creation> items) {
        if (!line.item().isEmpty() && line.counterpart().isEmpty() && !known.containsKey(line.item())) {
            items.putIfAbsent(line.item(), new Creation(line.item(), line.description()));
        }
    }

    private List<ItemNames.Collision> collisions(RouteRow route, Iterable<Creation> fresh, Iterable<LedgerItem> known) {
        Map<String, String> freshNames = new LinkedHashMap<>();
        fresh.forEach(item -> freshNames.put(item.code(), item.name()));
        Map<String, String> knownNames = new LinkedHashMap<>();
        known.forEach(item -> knownNames.put(item.code(), item.name()));
        return ItemNames.collisions(
                freshNames, knownNames, reference.profile(route.ledgerId()).nameLimit());
    }

    /// What somebody saw before she said that it may go; null where nobody looks.
    ///
    /// @param net in the ledger's currency, as a decimal number; so are tax and gross
    record Shown(int count, String net, String tax, String gross, String hashTotal) {
        boolean holds(ControlTotals totals) {
            return count == totals.count()
                    && net.equals(Amounts.decimal(totals.net()))
                    && tax.equals(Amounts.decimal(totals.tax()))
                    && gross.equals(Amounts.decimal(totals.gross()))
                    && hashTotal.equals(totals.hashTotal().toString());
        }
    }

    /// @param independentTotal typed from a list of somebody's own; empty when there is none
    /// @param reason why it may go though that total differs
    record Order(Choice choice, Shown shown, String independentTotal, String reason) {}

    /// Makes the batch and sets it going. What was shown must still hold, and the totals must agree with the
    /// independent
    /// total, or a reason is given.
    @Transactional
    long send(RouteRow route, Order order, String who) {
        if (!route.ledgerAnswers()) {
            throw NotPossibleException.invalid(
                    "ledger-of-files",
                    route.ledger() + " takes files, and Alcabala cannot write them yet. Nothing was sent.");
        }
        routes.lock(route.id());
        Preview preview = preview(route, order.choice());
        requireAsShown(preview, order.shown());
        if (preview.documents().isEmpty()) {
            throw NotPossibleException.invalid("nothing-to-send", "None of these documents is ready to go.");
        }
        if (!preview.collisions().isEmpty()) {
            ItemNames.Collision first = preview.collisions().getFirst();
            throw NotPossibleException.invalid(
                    "names-collide",
                    "On the ledger the items " + String.join(" and ", first.items()) + " would both be named “"
                            + first.name() + "”. Rename one or map it to an item that is there; nothing was sent.");
        }
        Optional<Money> typed = independentTotal(route, order.independentTotal());
        if (typed.isPresent()
                && !typed.get().equals(preview.totals().gross())
                && order.reason().isBlank()) {
            throw NotPossibleException.conflict(
                    "totals-differ",
                    "The batch adds up to " + Amounts.shown(preview.totals().gross()) + ", your own list to "
                            + Amounts.shown(typed.get()) + ". Find out why, or say why it may go all the same.");
        }
        long batch = insert(route, preview, typed, order.reason(), who);
        queue(route, batch, preview.documents(), who);
        SendTask.schedule(jobs, batch);
        return batch;
    }

    private static void requireAsShown(Preview preview, Shown shown) {
        ControlTotals now = preview.totals();
        if (shown != null && !shown.holds(now)) {
            throw NotPossibleException.conflict(
                    "not-as-shown",
                    "You were shown %s documents, net %s, tax %s, gross %s, hash total %s; now it would be %d, net %s, tax %s, gross %s, hash total %s. Nothing was sent; look at the batch again."
                            .formatted(
                                    shown.count(),
                                    shown.net(),
                                    shown.tax(),
                                    shown.gross(),
                                    shown.hashTotal(),
                                    now.count(),
                                    Amounts.decimal(now.net()),
                                    Amounts.decimal(now.tax()),
                                    Amounts.decimal(now.gross()),
                                    now.hashTotal()));
        }
    }

    private static Optional<Money> independentTotal(RouteRow route, String text) {
        if (text == null || text.isBlank()) {
            return Optional.empty();
        }
        return Optional.of(Amounts.typed(route.currency(), text)
                .orElseThrow(() -> NotPossibleException.invalid(
                        "total-invalid", "“" + text + "” is not an amount in " + route.currency() + ".")));
    }

    private long insert(RouteRow route, Preview preview, Optional<Money> typed, String reason, String who) {
        ControlTotals totals = preview.totals();
        return jdbc.sql("""
                insert into batch (route_id, created_by, created_at, currency, count, net, tax, gross, hash_total,
                    independent_total, reason)
                values (:route, :who, :now, :currency, :count, :net, :tax, :gross, :hash, :independent, :reason)
                returning id""")
                .param("route", route.id())
                .param("who", who)
                .param("now", Timestamp.from(clock.instant()))
                .param("currency", route.currency())
                .param("count", totals.count())
                .param("net", totals.net().getAmountMinorLong())
                .param("tax", totals.tax().getAmountMinorLong())
                .param("gross", totals.gross().getAmountMinorLong())
                .param("hash", new java.math.BigDecimal(totals.hashTotal()))
                .param("independent", typed.map(Money::getAmountMinorLong).orElse(null), java.sql.Types.BIGINT)
                .param("reason", reason)
                .query(Long.class)
                .single();
    }

    private void queue(RouteRow route, long batch, List<Prepared> documents, String who) {
        List<Trail.Entry> entries = new ArrayList<>();
        for (Prepared each : documents) {
            int rows = jdbc.sql("""
                    update document d set outcome = 'queued', version = version + 1
                    where d.id = :id and d.revision = :revision and
                    """ + CAN_GO)
                    .param("id", each.id())
                    .param("revision", each.revision())
                    .update();
            if (rows == 0) {
                throw NotPossibleException.conflict(
                        "changed-meanwhile", "A document of the batch changed meanwhile; look at the batch again.");
            }
            jdbc.sql("""
                    insert into dispatch (batch_id, document_id, idempotency_key, outcome, revision, posting, read_version)
                    select :batch, id, :key, 'queued', revision, cast(:posting as jsonb),
                        case when ledger_ref is not null then ledger_version end
                    from document where id = :document""")
                    .param("batch", batch)
                    .param("document", each.id())
                    .param("key", UUID.randomUUID())
                    .param("posting", each.posting().write())
                    .update();
            entries.add(new Trail.Entry(route.id(), each.id(), who, "queued", Map.of("batch", batch)));
        }
        trail.write(entries);
    }

    private record Failed(
            long id, long documentId, String outcome, boolean inPlace, String posting, int revision, String content) {}

    /// Sends again only what failed on its way, as it compiles now; nothing that the ledger has or has refused, and
    /// nothing
    /// whose sums have changed since the batch was shown. What rests is asked about again.
    @Transactional
    int retry(long batch, String who) {
        long routeId = routeOf(batch);
        routes.lock(routeId);
        Compiler compiler = compilers.of(routeId);
        int rows = 0;
        for (Failed each : failed(batch)) {
            rows += each.outcome().equals("unconfirmed") ? askAgain(each) : queueAgain(each, compiler);
        }
        if (rows > 0) {
            jdbc.sql("update batch set finished_at = null, failures = 0 where id = :id")
                    .param("id", batch)
                    .update();
            trail.write(null, null, who, "batch-retried", Map.of("batch", batch, "documents", rows));
            SendTask.schedule(jobs, batch);
        }
        return rows;
    }

    long routeOf(long batch) {
        return jdbc.sql("select route_id from batch where id = :id")
                .param("id", batch)
                .query(Long.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("batch " + batch));
    }

    private List<Failed> failed(long batch) {
        return jdbc.sql("""
                select p.id, p.document_id, p.outcome, p.read_version is not null as in_place, p.posting, d.revision, d.content
                from dispatch p join document d on d.id = p.document_id
                where p.batch_id = :batch and p.id = (select max(l.id) from dispatch l where l.document_id = d.id)
                    and ((p.outcome = 'unconfirmed' and p.rests) or (p.outcome = 'unreached'
                        and ((d.outcome = 'unreached' and d.state = 'Ready')
                            or (p.read_version is not null and d.outcome = 'posted' and d.state = 'Diverged'))))
                order by p.id""").param("batch", batch).query(Failed.class).list();
    }

    private int askAgain(Failed failed) {
        return jdbc.sql("""
                update dispatch set rests = false, attempts = 0, next_at = null, version = version + 1 where id = :id""").param("id", failed.id()).update();
    }

    private int queueAgain(Failed failed, Compiler compiler) {
        Document document = DocumentJson.read(failed.content());
        Optional<LedgerDocument> now = compiler.compile(document).ledgerDocument();
        boolean same = now.isPresent()
                && (failed.posting() == null
                        || Posting.read(failed.posting())
                                .document()
                                .gross()
                                .equals(now.get().gross()));
        if (!same) {
            return 0;
        }
        Posting posting = new Posting(now.get(), document.counterparty().name(), document.precedingNumber());
        jdbc.sql("""
                update dispatch set outcome = 'queued', attempts = 0, sentence = '', next_at = null, revision = :revision,
                    posting = cast(:posting as jsonb), version = version + 1
                where id = :id""")
                .param("revision", failed.revision())
                .param("posting", posting.write())
                .param("id", failed.id())
                .update();
        return jdbc.sql("update document set outcome = 'queued', version = version + 1 where id = :id")
                .param("id", failed.documentId())
                .update();
    }

    /// Kinds that go only when somebody names the document.
    private String[] chosenByHand(RouteRow route) {
        RouteSettings decided = settings.of(route.id());
        return Stream.of(DocumentKind.values())
                .filter(kind -> decided.trigger(kind) == Trigger.BY_HAND)
                .map(DocumentKind::word)
                .toArray(String[]::new);
    }

    private List<Candidate> candidates(RouteRow route, Choice choice) {
        boolean named = choice.isNamed();
        List<Candidate> found = jdbc.sql("""
                select d.id, d.number, d.state, d.revision, d.content from document d
                where d.route_id = :route and""" + CAN_GO + """
                    and (:named or d.state = 'Ready'
                        or (d.state = 'Diverged' and not d.ledger_differs and d.refusal = ''))
                    and (:named or kind <> all(:byHand)) and kind = any(:kinds)
                    and (:named = false or id = any(:ids))
                    and (cast(:from as date) is null or issue_date >= :from)
                    and (cast(:to as date) is null or issue_date <= :to)
                order by issue_date, id limit :limit""")
                .param("route", route.id())
                .param("named", named)
                .param("byHand", chosenByHand(route))
                .param("kinds", choice.kinds())
                .param("ids", named ? choice.ids().toArray(Long[]::new) : new Long[0])
                .param("from", named ? null : choice.from(), java.sql.Types.DATE)
                .param("to", named ? null : choice.to(), java.sql.Types.DATE)
                .param("limit", LARGEST + 1)
                .query(Candidate.class)
                .list();
        if (found.size() > LARGEST) {
            throw NotPossibleException.invalid(
                    "batch-too-large",
                    "A batch takes at most " + LARGEST + " documents; choose a shorter span of days.");
        }
        return found;
    }
}
