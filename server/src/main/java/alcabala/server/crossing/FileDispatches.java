package alcabala.server.crossing;

import alcabala.accounting.batch.Answered;
import alcabala.accounting.batch.Answered.Verdict;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.connectors.Kept;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.compile.Affected;
import alcabala.server.crossing.FileOutcomes.Stands;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.DocumentJson;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.Telling;
import alcabala.server.route.RouteRow;
import alcabala.server.trail.Trail;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/// Batches that go as files: all of a batch leaves at once, with its file, and what became of it is told by a file.
/// Each
/// step is one transaction, so that a file that was written is known, and one that was not holds nothing up.
@Component
public class FileDispatches {
    /// So many records of a batch are dealt with at a time.
    private static final int MANY = 2000;

    private final JdbcClient jdbc;
    private final FileOutcomes outcomes;
    private final Queue queue;
    private final Postings postings;
    private final Settlements settlements;
    private final Counterparts counterparts;
    private final Affected affected;
    private final Trail trail;
    private final Telling telling;
    private final JsonMapper json;
    private final Clock clock;

    /// @param request where it stands in the file, as JSON for the trail
    public record Leaving(long recordId, int revision, long postingId, String request) {}

    /// One record of a batch, as it went.
    ///
    /// @param control the amount that the ledger answers with, as a decimal number
    /// @param number the ledger's; empty as long as it is not known to have it
    /// @param gross minor units, as it is known to stand there; null before
    private record Gone(
            long id,
            long recordId,
            String outcome,
            String reference,
            String reversal,
            String control,
            String currency,
            Long postingId,
            String number,
            Long gross,
            boolean differs,
            boolean again) {
        Money expected() {
            return Money.of(CurrencyUnit.of(currency), new BigDecimal(control));
        }

        /// Whether the ledger's word on it is none that is known already.
        boolean isNews(Verdict.Accepted yes) {
            return number.isEmpty()
                    || differs == yes.isAsGiven(expected())
                    || differs && gross != yes.gross().getAmountMinorLong();
        }
    }

    FileDispatches(
            JdbcClient jdbc,
            FileOutcomes outcomes,
            Queue queue,
            Postings postings,
            Settlements settlements,
            Counterparts counterparts,
            Affected affected,
            Trail trail,
            Telling telling,
            JsonMapper json,
            Clock clock) {
        this.jdbc = jdbc;
        this.outcomes = outcomes;
        this.queue = queue;
        this.postings = postings;
        this.settlements = settlements;
        this.counterparts = counterparts;
        this.affected = affected;
        this.trail = trail;
        this.telling = telling;
        this.json = json;
        this.clock = clock;
    }

    /// Within the transaction that writes their file.
    ///
    /// @param canGo a condition on `record d`
    /// @return whether all of them are still as they were shown
    @Transactional
    public boolean leave(RouteRow route, long batch, List<Leaving> all, String canGo, String who) {
        if (outcomes.leave(all, canGo) != all.size()) {
            return false;
        }
        outcomes.insert(batch, all, clock.instant());
        trail.write(all.stream()
                .map(each -> new Trail.Entry(
                        route.id(),
                        each.recordId(),
                        who,
                        "written",
                        Map.of("batch", batch, "request", new tools.jackson.databind.util.RawValue(each.request()))))
                .toList());
        return true;
    }

    private List<Gone> gone(long batch) {
        return jdbc.sql("""
                select p.id, p.record_id, p.outcome, p.request->>'reference' as reference,
                    coalesce(p.request->>'reversal', '') as reversal, p.request->>'control' as control,
                    d.currency, p.posting_id,
                    case when p.outcome = 'posted' then coalesce(p.ledger_ref, '') else '' end as number,
                    case when p.outcome = 'posted' then d.ledger_gross end as gross, d.ledger_differs as differs,
                    exists (select 1 from dispatch l where l.record_id = p.record_id and l.id > p.id) as again
                from dispatch p join record d on d.id = p.record_id where p.batch_id = :batch order by p.id""").param("batch", batch).query(Gone.class).list();
    }

    /// What was in the file of a batch, by the numbers of its dispatches.
    public List<Answered.Given> given(long batch) {
        return gone(batch).stream()
                .map(each -> new Answered.Given(
                        each.id(), each.reference(), each.expected(), each.number(), each.again(), each.reversal()))
                .toList();
    }

    /// Writes down what a file says of the records of a batch; what is known already is left as it is.
    ///
    /// @param verdicts by the numbers of their dispatches
    /// @param file by name, for the trail
    @Transactional
    public void settle(RouteRow route, long batch, Map<Long, Verdict> verdicts, String file, String who) {
        List<Gone> all = gone(batch).stream()
                .filter(each -> verdicts.containsKey(each.id()))
                .toList();
        for (int from = 0; from < all.size(); from += MANY) {
            settle(route, batch, all.subList(from, Math.min(from + MANY, all.size())), verdicts, file, who);
        }
        outcomes.finish(batch, clock.instant());
        telling.tell(Topic.BATCHES, route.id(), null, batch);
    }

    private void settle(
            RouteRow route, long batch, List<Gone> some, Map<Long, Verdict> verdicts, String file, String who) {
        List<Gone> stand = new ArrayList<>();
        List<Gone> refused = new ArrayList<>();
        List<Gone> missing = new ArrayList<>();
        for (Gone each : some) {
            switch (verdicts.get(each.id())) {
                case Verdict.Accepted yes -> {
                    if (each.isNews(yes)) {
                        stand.add(each);
                    }
                }
                case Verdict.Refused no -> addIfOpen(refused, each);
                case Verdict.Missing none -> addIfOpen(missing, each);
            }
        }
        stand(route, batch, stand, verdicts, file, who);
        comeBack(
                route,
                batch,
                refused,
                "refused",
                each -> ((Verdict.Refused) verdicts.get(each.id())).line().reason(),
                file,
                who);
        comeBack(route, batch, missing, "missing", each -> file + " does not name it.", file, who);
    }

    private static void addIfOpen(List<Gone> some, Gone each) {
        if (each.outcome().equals("unconfirmed")) {
            some.add(each);
        }
    }

    private void stand(
            RouteRow route, long batch, List<Gone> some, Map<Long, Verdict> verdicts, String file, String who) {
        if (some.isEmpty()) {
            return;
        }
        Instant now = clock.instant();
        Map<Long, Frozen> frozen =
                postings.findAll(some.stream().map(Gone::postingId).toList());
        Map<String, String> parties = new LinkedHashMap<>();
        List<Stands> stands = new ArrayList<>(some.size());
        for (Gone each : some) {
            Verdict.Accepted yes = (Verdict.Accepted) verdicts.get(each.id());
            Frozen sent = frozen.get(each.postingId());
            stands.add(stands(each, sent.entry(), yes));
            if (sent.entry().partyCounterpart().isEmpty() && !yes.line().party().isEmpty()) {
                parties.put(sent.entry().party(), yes.line().party());
            }
        }
        outcomes.stand(stands, now);
        trail.write(some.stream()
                .map(each -> accepted(route, batch, each, (Verdict.Accepted) verdicts.get(each.id()), file, who))
                .toList());
        parties.forEach((code, there) -> counterparts.isThere(route, code, there, who));
        outcomes.named(some.stream().map(Gone::id).toList()).forEach(id -> settlements.became(queue.get(id)));
    }

    private Stands stands(Gone each, LedgerEntry entry, Verdict.Accepted yes) {
        String party = yes.line().party().isEmpty()
                ? entry.partyCounterpart()
                : yes.line().party();
        String reference = each.reference();
        String ref = yes.line().number();
        boolean asGiven = yes.isAsGiven(each.expected());
        LedgerRecord agreed = AsGiven.of(entry, reference, ref, party, null);
        LedgerRecord latest = asGiven ? agreed : AsGiven.of(entry, reference, ref, party, yes.gross());
        return new Stands(
                each.id(),
                ref,
                agreed.number(),
                agreed.due(),
                Amounts.minor(each.currency(), latest.gross()),
                Amounts.minor(each.currency(), agreed.paid()),
                !asGiven,
                latest.isVoided(),
                DocumentJson.write(agreed.half().values()),
                json.writeValueAsString(latest),
                json.writeValueAsString(yes.line()));
    }

    private static Trail.Entry accepted(
            RouteRow route, long batch, Gone each, Verdict.Accepted yes, String file, String who) {
        Money gross = yes.gross();
        return new Trail.Entry(
                route.id(),
                each.recordId(),
                who,
                "accepted",
                Map.of("batch", batch, "file", file, "number", yes.line().number(), "gross", Amounts.decimal(gross)));
    }

    private void comeBack(
            RouteRow route,
            long batch,
            List<Gone> some,
            String how,
            Function<Gone, String> sentence,
            String file,
            String who) {
        if (some.isEmpty()) {
            return;
        }
        boolean refused = how.equals("refused");
        List<String> sentences =
                some.stream().map(each -> Kept.text(sentence.apply(each))).toList();
        outcomes.comeBack(
                some.stream().map(Gone::id).toList(),
                refused ? "refused" : "unreached",
                refused ? "refused-in-file" : "",
                sentences,
                clock.instant());
        List<Trail.Entry> entries = new ArrayList<>();
        for (int i = 0; i < some.size(); i++) {
            entries.add(new Trail.Entry(
                    route.id(),
                    some.get(i).recordId(),
                    who,
                    how,
                    Map.of("batch", batch, "file", file, "sentence", sentences.get(i))));
        }
        trail.write(entries);
        affected.compileAgain(route.id(), some.stream().map(Gone::recordId).toList(), "Alcabala", "it came back");
    }

    /// Takes what nobody has answered for out of a batch: its file was not imported, or that was undone there.
    ///
    /// @param records those meant; empty for all that are open
    /// @return how many
    @Transactional
    public int withdraw(RouteRow route, long batch, List<Long> records, String reason, String who) {
        List<Gone> open = gone(batch).stream()
                .filter(each -> each.outcome().equals("unconfirmed"))
                .filter(each -> records.isEmpty() || records.contains(each.recordId()))
                .toList();
        comeBack(route, batch, open, "withdrawn", each -> "Withdrawn: " + reason, "", who);
        outcomes.finish(batch, clock.instant());
        telling.tell(Topic.BATCHES, route.id(), null, batch);
        return open.size();
    }

    /// By their numbers here, the dispatches of records that are open in a batch.
    public Map<Long, Long> openDispatches(long batch) {
        return gone(batch).stream()
                .filter(each -> each.outcome().equals("unconfirmed"))
                .collect(Collectors.toMap(Gone::recordId, Gone::id));
    }
}
