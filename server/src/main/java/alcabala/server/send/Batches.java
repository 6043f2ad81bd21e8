package alcabala.server.send;

import alcabala.accounting.batch.ControlTotals;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentKind;
import alcabala.accounting.matching.ItemNames;
import alcabala.accounting.posting.Compilation;
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
import alcabala.server.map.Compilers;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.DocumentJson;
import alcabala.server.platform.Jobs;
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
    /// @param inPlace how many stand on the ledger already and are changed there
    record Preview(
            List<Long> ids,
            ControlTotals totals,
            List<Creation> parties,
            List<Creation> items,
            List<ItemNames.Collision> collisions,
            int inPlace,
            int leftOut) {}

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

    /// @param leftOut in the answer: how many of the named documents cannot go now
    Preview preview(RouteRow route, Choice choice) {
        Compiler compiler = compilers.of(route.id());
        List<Candidate> candidates = candidates(route, choice);
        List<Long> ids = new ArrayList<>();
        List<ControlTotals.Member> members = new ArrayList<>();
        Map<String, Creation> parties = new LinkedHashMap<>();
        Map<String, Creation> items = new LinkedHashMap<>();
        Map<String, LedgerItem> known = new HashMap<>();
        reference.items(route.ledgerId()).forEach(item -> known.put(item.code(), item));
        Set<Boolean> sides = new HashSet<>();
        int inPlace = 0;
        for (Candidate candidate : candidates) {
            Document document = DocumentJson.read(candidate.content());
            sides.add(document.kind().isSale());
            Compilation compilation = compiler.compile(document);
            if (compilation.ledgerDocument().isPresent()) {
                LedgerDocument sent = compilation.ledgerDocument().get();
                ids.add(candidate.id());
                inPlace += candidate.stands() ? 1 : 0;
                members.add(new ControlTotals.Member(
                        candidate.number(), sent.kind().isCredit(), sent.net(), sent.tax(), sent.gross()));
                if (sent.partyCounterpart().isEmpty()) {
                    parties.putIfAbsent(
                            sent.party(),
                            new Creation(sent.party(), document.counterparty().name()));
                }
                sent.lines().forEach(line -> addItem(line, known, items));
            }
        }
        if (sides.size() > 1) {
            throw NotPossibleException.invalid(
                    "mixed-batch",
                    "Sales and purchases do not add up to one total. Choose the ones or the others, and send two batches.");
        }
        int asked = choice.isNamed() ? choice.ids().size() : candidates.size();
        return new Preview(
                ids,
                ControlTotals.of(CurrencyUnit.of(route.currency()), members),
                List.copyOf(parties.values()),
                List.copyOf(items.values()),
                collisions(route, items.values(), known.values()),
                inPlace,
                asked - ids.size());
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

    /// Makes the batch and sets it going. The totals must agree with the independent total, or a reason is given.
    @Transactional
    long send(RouteRow route, Choice choice, String independentTotal, String reason, String who) {
        if (!route.ledgerAnswers()) {
            throw NotPossibleException.invalid(
                    "ledger-of-files",
                    route.ledger() + " takes files, and Alcabala cannot write them yet. Nothing was sent.");
        }
        routes.lock(route.id());
        Preview preview = preview(route, choice);
        if (preview.ids().isEmpty()) {
            throw NotPossibleException.invalid("nothing-to-send", "None of these documents is ready to go.");
        }
        if (!preview.collisions().isEmpty()) {
            ItemNames.Collision first = preview.collisions().getFirst();
            throw NotPossibleException.invalid(
                    "names-collide",
                    "On the ledger the items " + String.join(" and ", first.items()) + " would both be named “"
                            + first.name() + "”. Rename one or map it to an item that is there; nothing was sent.");
        }
        Optional<Money> typed = independentTotal(route, independentTotal);
        if (typed.isPresent() && !typed.get().equals(preview.totals().gross()) && reason.isBlank()) {
            throw NotPossibleException.conflict(
                    "totals-differ",
                    "The batch adds up to " + Amounts.shown(preview.totals().gross()) + ", your own list to "
                            + Amounts.shown(typed.get()) + ". Find out why, or say why it may go all the same.");
        }
        long batch = insert(route, preview, typed, reason, who);
        queue(route, batch, preview.ids(), who);
        SendTask.schedule(jobs, batch);
        return batch;
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

    private void queue(RouteRow route, long batch, List<Long> ids, String who) {
        List<Trail.Entry> entries = new ArrayList<>();
        for (long id : ids) {
            int rows = jdbc.sql("""
                    update document d set outcome = 'queued', version = version + 1 where d.id = :id and
                    """ + CAN_GO).param("id", id).update();
            if (rows == 0) {
                throw NotPossibleException.conflict(
                        "changed-meanwhile", "A document of the batch changed meanwhile; look at the batch again.");
            }
            jdbc.sql("""
                    insert into dispatch (batch_id, document_id, idempotency_key, outcome, read_version)
                    select :batch, id, :key, 'queued', case when ledger_ref is not null then ledger_version end
                    from document where id = :document""")
                    .param("batch", batch)
                    .param("document", id)
                    .param("key", UUID.randomUUID())
                    .update();
            entries.add(new Trail.Entry(route.id(), id, who, "queued", Map.of("batch", batch)));
        }
        trail.write(entries);
    }

    /// Sends again only what failed on its way; nothing that the ledger has or has refused.
    @Transactional
    int retry(long batch, String who) {
        int rows = jdbc.sql("""
                with again as (
                    update dispatch p set outcome = 'queued', attempts = 0, sentence = '', version = p.version + 1
                    from document d
                    where p.batch_id = :batch and p.outcome = 'unreached' and d.id = p.document_id
                        and ((d.outcome = 'unreached' and d.state = 'Ready')
                            or (p.read_version is not null and d.outcome = 'posted' and d.state = 'Diverged'))
                        and p.id = (select max(l.id) from dispatch l where l.document_id = d.id)
                    returning p.document_id)
                update document set outcome = 'queued', version = version + 1
                where id in (select document_id from again)""").param("batch", batch).update();
        if (rows > 0) {
            jdbc.sql("update batch set finished_at = null where id = :id")
                    .param("id", batch)
                    .update();
            trail.write(null, null, who, "batch-retried", Map.of("batch", batch, "documents", rows));
            SendTask.schedule(jobs, batch);
        }
        return rows;
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
