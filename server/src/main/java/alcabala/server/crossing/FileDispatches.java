package alcabala.server.crossing;

import alcabala.accounting.batch.Answered;
import alcabala.accounting.batch.Answered.Verdict;
import alcabala.connectors.Kept;
import alcabala.server.compile.Affected;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.Telling;
import alcabala.server.route.RouteRow;
import alcabala.server.trail.Trail;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Batches that go as files: all of a batch leaves at once, with its file, and a file tells what became of it. Each
/// step is one transaction, so that a file that was written is known, and one that was not holds nothing up.
@Component
public class FileDispatches {
    private final JdbcClient jdbc;
    private final FileOutcomes outcomes;
    private final FileAcceptances acceptances;
    private final Affected affected;
    private final Trail trail;
    private final Telling telling;
    private final Clock clock;

    /// @param undoes the dispatch that it takes back; null for what takes none back
    /// @param request where it stands in the file, as JSON for the trail
    public record Leaving(long recordId, int revision, long postingId, Long undoes, String request) {}

    FileDispatches(
            JdbcClient jdbc,
            FileOutcomes outcomes,
            FileAcceptances acceptances,
            Affected affected,
            Trail trail,
            Telling telling,
            Clock clock) {
        this.jdbc = jdbc;
        this.outcomes = outcomes;
        this.acceptances = acceptances;
        this.affected = affected;
        this.trail = trail;
        this.telling = telling;
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

    /// Those of these records that stood there once and were taken back: our name for them is in the ledger's register.
    public Set<Long> takenBack(List<Long> records) {
        return Set.copyOf(jdbc.sql("""
                select distinct record_id from dispatch
                where record_id = any(:ids) and undoes is not null and outcome = 'posted'""")
                .param("ids", records.toArray(Long[]::new))
                .query(Long.class)
                .list());
    }

    private List<GoneInFile> gone(long batch) {
        return jdbc.sql("""
                select p.id, p.record_id, p.outcome, p.request->>'reference' as reference,
                    coalesce(p.request->>'reversal', '') as reversal, p.request->>'control' as control,
                    d.currency, p.posting_id,
                    case when p.outcome = 'posted' then coalesce(p.ledger_ref, '') else '' end as number,
                    case when p.outcome = 'posted' then d.ledger_gross end as gross, d.ledger_differs as differs,
                    exists (select 1 from dispatch l where l.record_id = p.record_id and l.id > p.id) as again,
                    p.undoes is not null or exists (
                        select 1 from dispatch u where u.undoes = p.id and u.outcome = 'posted') as undone
                from dispatch p join record d on d.id = p.record_id where p.batch_id = :batch order by p.id""").param("batch", batch).query(GoneInFile.class).list();
    }

    /// Of these numbers of the ledger, those that are known to be of records outside a batch,
    /// with what those are called here.
    public Map<String, String> numbersOfOthers(RouteRow route, long batch, List<String> numbers) {
        Map<String, String> others = new HashMap<>();
        jdbc.sql("""
                select l.ledger_ref, d.number from link l join record d on d.id = l.record_id
                where l.ledger_id = :ledger and l.ledger_ref = any(:numbers) and not exists (
                    select 1 from dispatch p where p.batch_id = :batch and p.record_id = l.record_id)""")
                .param("ledger", route.ledgerId())
                .param("numbers", numbers.stream().distinct().toArray(String[]::new))
                .param("batch", batch)
                .query(row -> {
                    others.put(row.getString("ledger_ref"), row.getString("number"));
                });
        return others;
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
        List<GoneInFile> stand = new ArrayList<>();
        List<GoneInFile> refused = new ArrayList<>();
        List<GoneInFile> missing = new ArrayList<>();
        for (GoneInFile each : gone(batch)) {
            switch (verdicts.get(each.id())) {
                case null -> {}
                case Verdict.Accepted yes -> {
                    if (each.isNews(yes) && !(each.undone() && !each.outcome().equals("unconfirmed"))) {
                        stand.add(each);
                    }
                }
                case Verdict.Refused no -> addIfOpen(refused, each);
                case Verdict.Missing none -> addIfOpen(missing, each);
            }
        }
        acceptances.keep(
                stand, id -> (Verdict.Accepted) verdicts.get(id), new FileAcceptances.From(route, batch, file, who));
        comeBack(
                route,
                batch,
                refused,
                "refused",
                each -> ((Verdict.Refused) verdicts.get(each.id())).line().reason(),
                file,
                who);
        comeBack(route, batch, missing, "missing", each -> file + " does not name it.", file, who);
        outcomes.finish(batch, clock.instant());
        telling.tell(Topic.BATCHES, route.id(), null, batch);
    }

    private static void addIfOpen(List<GoneInFile> some, GoneInFile each) {
        if (each.outcome().equals("unconfirmed")) {
            some.add(each);
        }
    }

    private void comeBack(
            RouteRow route,
            long batch,
            List<GoneInFile> some,
            String how,
            Function<GoneInFile, String> sentence,
            String file,
            String who) {
        if (some.isEmpty()) {
            return;
        }
        boolean refused = how.equals("refused");
        List<String> sentences =
                some.stream().map(each -> Kept.text(sentence.apply(each))).toList();
        outcomes.comeBack(
                some.stream().map(GoneInFile::id).toList(),
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
        affected.compileAgain(
                route.id(), some.stream().map(GoneInFile::recordId).toList(), "Alcabala", "it came back");
    }

    /// Takes what nobody has answered for out of a batch: its file was not imported, or that was undone there.
    ///
    /// @param records those meant; empty for all that are open
    /// @return how many
    @Transactional
    public int withdraw(RouteRow route, long batch, List<Long> records, String reason, String who) {
        Set<Long> meant = Set.copyOf(records);
        List<GoneInFile> open = gone(batch).stream()
                .filter(each -> each.outcome().equals("unconfirmed"))
                .filter(each -> meant.isEmpty() || meant.contains(each.recordId()))
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
                .collect(Collectors.toMap(GoneInFile::recordId, GoneInFile::id));
    }
}
