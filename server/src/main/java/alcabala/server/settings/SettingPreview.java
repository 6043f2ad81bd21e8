package alcabala.server.settings;

import alcabala.accounting.document.Document;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Setting;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.settlement.Targets;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.compile.Compilers;
import alcabala.server.compile.Compiling;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.record.Stored;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/// What another value of a setting would do: to one real document, and to all that wait. Changes nothing.
@Component
class SettingPreview {
    private static final int LOOKED_AT = 3000;
    private static final String WAITING =
            "d.route_id = :route and not d.voided and (d.outcome is null or d.outcome in ('refused', 'unreached'))";
    private static final String CHANGED_THERE =
            "d.state = 'Diverged' and d.ledger_differs and not d.voided and d.gone = ''";
    private final JdbcClient jdbc;
    private final SettingStore store;
    private final Compilers compilers;
    private final LedgerReference reference;
    private final JsonMapper json;
    private final Compiling compiling;
    private final ChangedFates changedFates;

    /// @param differs whether the shown document would be another one on the ledger
    /// @param sentence what it would do to all that wait
    record Previewed(
            Long documentId, String number, LedgerSide before, LedgerSide after, boolean differs, String sentence) {}

    private record Candidate(long id, String number, String kind, Set<String> milestones, Record record) {}

    private record Standing(long id, String number, Document document, LedgerRecord record) {}

    private record Both(Candidate candidate, Compilation before, Compilation after, boolean differs) {}

    SettingPreview(
            JdbcClient jdbc,
            SettingStore store,
            Compilers compilers,
            Compiling compiling,
            LedgerReference reference,
            ChangedFates changedFates,
            JsonMapper json) {
        this.changedFates = changedFates;
        this.compiling = compiling;
        this.json = json;
        this.jdbc = jdbc;
        this.store = store;
        this.compilers = compilers;
        this.reference = reference;
    }

    /// @param documentId the document to show; null for one that it makes a difference to
    Previewed of(RouteRow route, Setting setting, String value, Long documentId) {
        RouteSettings before = store.of(route.id());
        RouteSettings after = before.with(setting, value);
        Compiler was = compilers.with(route, before);
        Compiler would = compilers.with(route, after);
        List<Both> all = both(route, candidates(route, List.of(RecordKind.values())), was, would);
        Optional<Both> shown = shown(route, all, before, after, documentId);
        Map<String, String> names = reference.accountNames(route.ledgerId());
        Optional<Previewed> settled = kindsOf(Topic.WINNER, setting).stream()
                .filter(kind -> documentId == null)
                .findFirst()
                .flatMap(kind -> findChangedThere(route, kind))
                .map(standing ->
                        settled(standing, before, after, would, names, sentence(route, setting, before, after, all)));
        if (settled.isPresent()) {
            return settled.get();
        }
        return shown.map(both -> previewed(both, before, after, names, sentence(route, setting, before, after, all)))
                .orElseGet(() -> nothing("No document waits on this route yet."));
    }

    /// What other decisions about kinds of record would do to one of them.
    ///
    /// @param documentId the document to show; null for one that it makes a difference to
    Previewed ofKind(RouteRow route, List<RecordKind> kinds, RouteSettings after, Long documentId) {
        RouteSettings before = store.of(route.id());
        List<Both> all =
                both(route, candidates(route, kinds), compilers.with(route, before), compilers.with(route, after));
        Map<String, String> names = reference.accountNames(route.ledgerId());
        return shown(route, all, before, after, documentId)
                .map(both -> previewed(both, before, after, names, changed(all)))
                .orElseGet(() -> nothing("None waits."));
    }

    private Optional<Both> shown(
            RouteRow route, List<Both> all, RouteSettings before, RouteSettings after, Long documentId) {
        return documentId == null
                ? example(all, before, after)
                : both(
                                route,
                                List.of(candidate(route, documentId)),
                                compilers.with(route, before),
                                compilers.with(route, after))
                        .stream()
                        .findFirst();
    }

    private static Previewed nothing(String sentence) {
        return new Previewed(null, "", null, null, false, sentence);
    }

    private static Previewed previewed(
            Both both, RouteSettings before, RouteSettings after, Map<String, String> names, String sentence) {
        LedgerSide left =
                LedgerSide.of(both.before(), before, names, both.candidate().record());
        LedgerSide right =
                LedgerSide.of(both.after(), after, names, both.candidate().record());
        return new Previewed(
                both.candidate().id(), both.candidate().number(), left, right, !left.equals(right), sentence);
    }

    private Optional<Standing> findChangedThere(RouteRow route, RecordKind kind) {
        return jdbc.sql("""
                select d.id, d.number, d.kind,\s""" + Stored.COLUMN + """
                , l.ledger_now from record d join link l on l.record_id = d.id join record_revision v on v.id = d.revision_id
                where d.route_id = :route and d.kind = :kind and
                """ + CHANGED_THERE + " order by d.issue_date desc limit 1")
                .param("route", route.id())
                .param("kind", kind.word())
                .query((row, n) -> new Standing(
                        row.getLong("id"),
                        row.getString("number"),
                        Stored.document(row.getString("content")),
                        json.readValue(row.getString("ledger_now"), LedgerRecord.class)))
                .optional();
    }

    /// The document as it stands there, or as the source's would in its place, whoever wins.
    private static Previewed settled(
            Standing standing,
            RouteSettings before,
            RouteSettings after,
            Compiler compiler,
            Map<String, String> names,
            String sentence) {
        RecordKind kind = standing.document().kind();
        LedgerSide there = LedgerSide.standing(standing.record(), names);
        LedgerSide again = LedgerSide.of(compiled(compiler, standing), after, names, standing.document())
                .asStanding();
        LedgerSide left = before.winner(kind).equals("source") ? again : there;
        LedgerSide right = after.winner(kind).equals("source") ? again : there;
        return new Previewed(standing.id(), standing.number(), left, right, !left.equals(right), sentence);
    }

    private static Compilation compiled(Compiler compiler, Standing standing) {
        return compiler.compile(standing.document(), Long.toString(standing.id()), Targets.NONE);
    }

    private List<Both> both(RouteRow route, List<Candidate> candidates, Compiler was, Compiler would) {
        Map<Long, Record> records = candidates.stream().collect(Collectors.toMap(Candidate::id, Candidate::record));
        LongFunction<Compilation> before = compiling.with(route, was, records);
        LongFunction<Compilation> after = compiling.with(route, would, records);
        return candidates.stream()
                .map(each -> both(each, before.apply(each.id()), after.apply(each.id())))
                .toList();
    }

    private static Both both(Candidate candidate, Compilation before, Compilation after) {
        return new Both(candidate, before, after, !before.equals(after));
    }

    /// One that would differ and crosses both ways; else one that would differ; else one that crosses; else any.
    private static Optional<Both> example(List<Both> all, RouteSettings before, RouteSettings after) {
        Map<String, String> none = Map.of();
        return all.stream().max(java.util.Comparator.comparingInt(both -> {
            boolean differs = !LedgerSide.of(
                            both.before(), before, none, both.candidate().record())
                    .equals(LedgerSide.of(
                            both.after(), after, none, both.candidate().record()));
            boolean crosses = both.before().entry().isPresent();
            boolean stays = both.after().entry().isPresent();
            return (differs ? 4 : 0) + (crosses ? 2 : 0) + (stays ? 1 : 0);
        }));
    }

    private String sentence(
            RouteRow route, Setting setting, RouteSettings before, RouteSettings after, List<Both> all) {
        List<RecordKind> triggered = kindsOf(Topic.TRIGGER, setting);
        return (triggered.isEmpty() ? Optional.<String>empty() : Optional.of(triggered(triggered, before, after, all)))
                .or(() -> kindsOf(Topic.WINNER, setting).stream()
                        .findFirst()
                        .map(kind -> changedThere(route, kind, after)))
                .or(() -> Optional.of(setting)
                        .filter(each -> each.topic().isOwner() && each.of().isDocument())
                        .map(each -> changedFates.sentence(route, each.of().kinds(), after)))
                .orElseGet(() -> switch (setting.topic()) {
                    case DIRECTION -> setting.of() == Carried.PAYMENTS ? payments(route, after) : changed(all);
                    case RECEIVING_BANK ->
                        money(route, Set.of(RecordKind.INVOICE, RecordKind.SUPPLIER_CREDIT), "received", all);
                    case PAYING_BANK -> money(route, Set.of(RecordKind.BILL, RecordKind.CREDIT_NOTE), "paid from", all);
                    case SALES_TAX -> taxed(route, after, all, true, "revenue");
                    case PURCHASE_TAX -> taxed(route, after, all, false, "part of the cost");
                    default -> changed(all);
                });
    }

    /// Of a setting of this topic, the kinds that it is decided for.
    private static List<RecordKind> kindsOf(Topic topic, Setting setting) {
        return setting.topic() == topic ? setting.of().kinds() : List.of();
    }

    private static String triggered(List<RecordKind> kinds, RouteSettings before, RouteSettings after, List<Both> all) {
        RecordKind kind = kinds.getFirst();
        String was = before.trigger(kind).milestone().name();
        String would = after.trigger(kind).milestone().name();
        List<Candidate> ofKind = all.stream()
                .map(Both::candidate)
                .filter(each -> kinds.contains(RecordKind.of(each.kind())))
                .toList();
        long held = ofKind.stream()
                .filter(each ->
                        each.milestones().contains(was) && !each.milestones().contains(would))
                .count();
        long freed = ofKind.stream()
                .filter(each ->
                        !each.milestones().contains(was) && each.milestones().contains(would))
                .count();
        String goes = after.trigger(kind).isAutomatic()
                ? " Ready ones are sent by themselves at the next fetch."
                : " Nothing is sent by itself.";
        return "Of %s that have not crossed, %d would wait that do not now, and %d would no longer wait.%s"
                .formatted(documents(ofKind.size()), held, freed, goes);
    }

    private static String money(RouteRow route, Set<RecordKind> kinds, String moves, List<Both> all) {
        long sum = 0;
        int count = 0;
        for (Both each : all) {
            Record document = each.candidate().record();
            if (kinds.contains(document.kind()) && document.currency().getCode().equals(route.currency())) {
                sum += document.kind().sign() * document.gross().getAmountMinorLong();
                count++;
            }
        }
        return "%s of %s that wait would be %s there."
                .formatted(Amounts.shown(Amounts.money(route.currency(), sum)), documents(count), moves);
    }

    private String payments(RouteRow route, RouteSettings after) {
        int open = jdbc.sql("""
                select count(*) from record where route_id = :route and outcome = 'posted'
                    and sign(coalesce(ledger_gross, gross)) * (coalesce(ledger_gross, gross) - paid) > 0""").param("route", route.id()).query(Integer.class).single();
        return after.is(Topic.DIRECTION, Carried.PAYMENTS, "none")
                ? "Payments of %s that are open would no longer come back.".formatted(documents(open))
                : "Payments of %s that are open come back at the next fetch.".formatted(documents(open));
    }

    private String changedThere(RouteRow route, RecordKind kind, RouteSettings after) {
        record Sum(String currency, int count, long gross) {}
        List<Sum> sums = jdbc.sql("""
                select d.currency, count(*) as count, sum(d.gross) as gross from record d
                where d.route_id = :route and d.kind = :kind and
                """ + CHANGED_THERE + " group by d.currency")
                .param("route", route.id())
                .param("kind", kind.word())
                .query(Sum.class)
                .list();
        Map<String, Long> gross = sums.stream().collect(Collectors.toMap(Sum::currency, Sum::gross));
        String become = switch (after.winner(kind)) {
            case "source" -> "Such go again at the next fetch as %s has them".formatted(route.source());
            case "ledger" -> "Such stand from the next fetch on as %s has them".formatted(route.ledger());
            case "latest" -> "Of such the later change stands from the next fetch on, where both sides tell when";
            default -> "Such wait until somebody says who wins";
        };
        String concerned = documents(sums.stream().mapToInt(Sum::count).sum());
        return "Changed there at present: %s. %s."
                .formatted(gross.isEmpty() ? concerned : concerned + ", " + Amounts.shown(gross), become);
    }

    private static String changed(List<Both> all) {
        List<Both> differing = all.stream().filter(Both::differs).toList();
        if (differing.isEmpty()) {
            return "None of %s that wait would change on the ledger.".formatted(looked(all.size()));
        }
        List<String> parts = new ArrayList<>();
        parts.add("Of %s that wait, %d would change".formatted(looked(all.size()), differing.size()));
        long blocked = differing.stream()
                .filter(each -> !each.before().isBlocked() && each.after().isBlocked())
                .count();
        long released = differing.stream()
                .filter(each -> each.before().isBlocked() && !each.after().isBlocked())
                .count();
        if (blocked > 0) {
            parts.add(blocked + " would be blocked");
        }
        if (released > 0) {
            parts.add(released + " would be released");
        }
        return String.join(", ", parts) + ".";
    }

    /// With the tax that would not be booked as tax.
    private static String taxed(RouteRow route, RouteSettings after, List<Both> all, boolean sales, String becomes) {
        long tax = 0;
        int documents = 0;
        for (Both each : all) {
            if (!(each.candidate().record() instanceof Document document)) {
                continue;
            }
            boolean concerned = document.kind().isSale() == sales
                    && after.hasTaxInLines(document.kind())
                    && document.currency().getCode().equals(route.currency())
                    && !document.totals().tax().isZero();
            if (concerned && each.differs()) {
                tax += document.kind().sign() * document.totals().tax().getAmountMinorLong();
                documents++;
            }
        }
        return documents == 0
                ? changed(all)
                : "%s Tax of %s on %s would be booked as %s."
                        .formatted(
                                changed(all),
                                Amounts.shown(Amounts.money(route.currency(), tax)),
                                documents(documents),
                                becomes);
    }

    /// Of very many only the newest are compiled.
    private static String looked(int count) {
        return count < LOOKED_AT ? documents(count) : "the newest " + documents(count);
    }

    private static String documents(int count) {
        return count == 1 ? "1 document" : "%,d documents".formatted(count);
    }

    private List<Candidate> candidates(RouteRow route, List<RecordKind> kinds) {
        return jdbc.sql("select d.id, d.number, d.kind, d.milestones, " + Stored.COLUMN + " from record d" + Stored.JOIN
                        + "where d.kind = any(:kinds) and " + WAITING
                        + " order by d.issue_date desc, d.id desc limit :limit")
                .param("route", route.id())
                .param("kinds", kinds.stream().map(RecordKind::word).toArray(String[]::new))
                .param("limit", LOOKED_AT)
                .query((row, n) -> new Candidate(
                        row.getLong("id"),
                        row.getString("number"),
                        row.getString("kind"),
                        Set.of((String[]) row.getArray("milestones").getArray()),
                        Stored.record(row.getString("content"))))
                .list();
    }

    private Candidate candidate(RouteRow route, long id) {
        return jdbc.sql("select d.id, d.number, d.kind, " + Stored.COLUMN + " from record d" + Stored.JOIN
                        + "where d.route_id = :route and d.id = :id")
                .param("route", route.id())
                .param("id", id)
                .query((row, n) -> new Candidate(
                        row.getLong("id"),
                        row.getString("number"),
                        row.getString("kind"),
                        Set.of(),
                        Stored.record(row.getString("content"))))
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("document " + id + " on this route"));
    }
}
