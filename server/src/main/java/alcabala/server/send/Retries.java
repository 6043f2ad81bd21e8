package alcabala.server.send;

import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.posting.Journal;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.PutTogether.Outcome.Goes;
import alcabala.accounting.record.Record;
import alcabala.accounting.setting.RouteSettings;
import alcabala.server.compile.Compilers;
import alcabala.server.compile.Compiling;
import alcabala.server.crossing.BatchDates;
import alcabala.server.crossing.BatchHeads;
import alcabala.server.crossing.Frozen;
import alcabala.server.crossing.NewDispatches;
import alcabala.server.crossing.Outcomes;
import alcabala.server.crossing.Posting;
import alcabala.server.crossing.Postings;
import alcabala.server.crossing.SendTask;
import alcabala.server.jobs.Jobs;
import alcabala.server.merge.Together;
import alcabala.server.record.Records;
import alcabala.server.record.Stored;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.trail.Trail;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Tries again what failed on its way.
@Component
class Retries {
    private final JdbcClient jdbc;
    private final Routes routes;
    private final BatchHeads heads;
    private final Compilers compilers;
    private final BatchDates dates;
    private final Together together;
    private final Compiling compiling;
    private final Postings postings;
    private final NewDispatches dispatches;
    private final Outcomes outcomes;
    private final Clock clock;
    private final Trail trail;
    private final Jobs jobs;

    Retries(
            JdbcClient jdbc,
            Routes routes,
            BatchHeads heads,
            Compilers compilers,
            BatchDates dates,
            Together together,
            Compiling compiling,
            Postings postings,
            NewDispatches dispatches,
            Outcomes outcomes,
            Clock clock,
            Trail trail,
            Jobs jobs) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.heads = heads;
        this.compilers = compilers;
        this.dates = dates;
        this.together = together;
        this.compiling = compiling;
        this.postings = postings;
        this.dispatches = dispatches;
        this.outcomes = outcomes;
        this.clock = clock;
        this.trail = trail;
        this.jobs = jobs;
    }

    private record Failed(
            long id,
            long recordId,
            String outcome,
            boolean inPlace,
            Long postingId,
            int revision,
            boolean voided,
            boolean undoes,
            String keeps,
            boolean ruled,
            String content) {
        /// Of what both changed, the fields that stay as they are there.
        Set<String> kept() {
            return Stream.of(keeps.split(",")).filter(field -> !field.isEmpty()).collect(Collectors.toSet());
        }
    }

    /// Sends again only what failed on its way, as it compiles now; nothing that the ledger has or has refused, and
    /// nothing whose sums have changed since the batch was shown. What rests is asked about again.
    @Transactional
    int retry(long batch, String who) {
        RouteRow route = routes.get(heads.routeOf(batch));
        routes.lock(route.id());
        Compiler compiler = compilers.of(route, heads.optionsOf(batch));
        LocalDate dated = dates.given(batch);
        int rows = 0;
        for (Failed each : failed(batch)) {
            rows += each.outcome().equals("unconfirmed")
                    ? dispatches.askAgain(each.id())
                    : queueAgain(route, each, compiler, dated);
        }
        if (rows > 0) {
            heads.reopen(batch);
            trail.write(null, null, who, "batch-retried", Map.of("batch", batch, "documents", rows));
            SendTask.schedule(jobs, batch);
        }
        return rows;
    }

    private List<Failed> failed(long batch) {
        return jdbc.sql("""
                select p.id, p.record_id, p.outcome, p.read_version is not null as in_place, p.posting_id, d.revision,
                    (d.voided or\s""" + Candidates.VOIDED_THERE + """
                    ) and d.outcome = 'posted' as voided, p.undoes is not null as undoes,
                    array_to_string(p.keeps, ',') as keeps, p.ruled,\s""" + Stored.COLUMN + """
                 from dispatch p join record d on d.id = p.record_id join record_revision v on v.id = d.revision_id
                where p.batch_id = :batch and p.id = (select max(l.id) from dispatch l where l.record_id = d.id)
                    and ((p.outcome = 'unconfirmed' and p.rests) or (p.outcome = 'unreached'
                        and ((d.outcome = 'unreached' and d.state = 'Ready')
                            or (p.read_version is not null and d.outcome = 'posted' and (d.state = 'Diverged' or p.undoes is not null)))))
                    and not\s""" + Records.LEFT_ALONE
                        + " order by p.id")
                .param("batch", batch)
                .query(Failed.class)
                .list();
    }

    private int queueAgain(RouteRow route, Failed failed, Compiler compiler, LocalDate dated) {
        if (failed.undoes()) {
            dispatches.again(failed.id(), failed.revision(), failed.postingId());
            outcomes.queueAgain(failed.recordId());
            return 1;
        }
        Record record = Stored.record(failed.content());
        Optional<Posting> now = failed.voided()
                ? postings.findCancelling(failed.recordId())
                : compiled(route, failed, compiler, record, dated);
        boolean same = now.map(Posting::entry)
                .filter(entry -> shown(failed).map(entry::hasSumsOf).orElse(true))
                .isPresent();
        if (!same) {
            return 0;
        }
        Posting posting = now.orElseThrow();
        long frozen = postings.freeze(
                        route,
                        List.of(new Postings.Made(failed.recordId(), failed.revision(), posting)),
                        clock.instant())
                .getFirst();
        dispatches.again(failed.id(), failed.revision(), frozen);
        outcomes.queueAgain(failed.recordId());
        return 1;
    }

    private Optional<Posting> compiled(
            RouteRow route, Failed failed, Compiler compiler, Record record, LocalDate dated) {
        Compilation compilation = compiling
                .with(route, compiler, Map.of(failed.recordId(), record))
                .apply(failed.recordId());
        RouteSettings decided = compiler.route().settings();
        if (failed.keeps() != null) {
            return together.of(route, decided, List.of(failed.recordId()))
                    .find(
                            failed.recordId(),
                            record,
                            compilation,
                            failed.ruled() ? Together.ruled(decided, record.kind()) : Together.said(failed.kept()))
                    .filter(Goes.class::isInstance)
                    .map(Goes.class::cast)
                    .map(goes -> posting(failed, record, decided, goes.entry(), goes.journal(), dated));
        }
        return compilation
                .entry()
                .map(entry -> posting(
                        failed, record, decided, entry, compilation.journal().orElseThrow(), dated));
    }

    private Posting posting(
            Failed failed, Record record, RouteSettings decided, LedgerEntry entry, Journal journal, LocalDate dated) {
        return Posting.of(record, dates.dated(decided, failed.recordId(), entry, dated), journal);
    }

    private Optional<LedgerEntry> shown(Failed failed) {
        return failed.postingId() == null
                ? Optional.empty()
                : postings.find(failed.postingId()).map(Frozen::entry);
    }
}
