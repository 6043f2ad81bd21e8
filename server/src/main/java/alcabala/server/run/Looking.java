package alcabala.server.run;

import alcabala.accounting.record.RecordKind;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.Kept;
import alcabala.connectors.Unusable;
import alcabala.connectors.ledger.FindsByReference;
import alcabala.connectors.ledger.FindsRecords;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.connectors.source.SourceChange;
import alcabala.connectors.source.TellsOne;
import alcabala.connectors.spi.Connection;
import alcabala.server.connection.Ledgers;
import alcabala.server.connection.SetAsides;
import alcabala.server.connection.Sources;
import alcabala.server.crossing.LedgerNews;
import alcabala.server.crossing.LedgerNews.Brought;
import alcabala.server.intake.Intake.TakenIn;
import alcabala.server.intake.SourcePull;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.record.Records;
import alcabala.server.route.RouteRow;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Reads single records anew from both sides, as far as each tells of single ones, and takes in what they say.
@Component
class Looking {
    private final JdbcClient jdbc;
    private final Sources sources;
    private final Ledgers ledgers;
    private final LedgerNews news;
    private final SourcePull pull;
    private final SetAsides setAsides;

    record Looked(TakenIn taken, Brought brought) {}

    /// @param ledgerRef null where it is linked with nothing
    /// @param free whether it may turn out to stand there without our knowing
    private record One(String kind, String origin, String number, String sourceRef, String ledgerRef, boolean free) {
        RecordKind recordKind() {
            return RecordKind.of(kind);
        }
    }

    Looking(JdbcClient jdbc, Sources sources, Ledgers ledgers, LedgerNews news, SourcePull pull, SetAsides setAsides) {
        this.jdbc = jdbc;
        this.sources = sources;
        this.ledgers = ledgers;
        this.news = news;
        this.pull = pull;
        this.setAsides = setAsides;
    }

    /// @throws NotPossibleException when neither side tells of single records
    Looked look(RouteRow route, List<Long> records, String who, Progress at) {
        Optional<Connection> ledger =
                route.ledgerAnswers() ? Optional.of(ledgers.of(route.ledgerId())) : Optional.empty();
        Optional<Connection> source = route.fromFiles() ? Optional.empty() : Optional.of(sources.of(route.sourceId()));
        Optional<FindsRecords> there = ledger.flatMap(each -> each.find(FindsRecords.class));
        Optional<TellsOne> here = source.flatMap(each -> each.find(TellsOne.class));
        if (there.isEmpty() && here.isEmpty()) {
            throw NotPossibleException.invalid(
                    "tells-of-no-single",
                    "Neither %s nor %s tells of single records; fetch both sides instead."
                            .formatted(route.source(), route.ledger()));
        }
        List<LedgerRecord> found = new ArrayList<>();
        List<SourceChange> changes = new ArrayList<>();
        List<String> goneThere = new ArrayList<>();
        int done = 0;
        for (One each : of(route, records)) {
            at.at(done++, records.size());
            if (there.isPresent()) {
                if (!lookThere(route, there.get(), ledger.get(), each, found)) {
                    goneThere.add(each.ledgerRef());
                }
            }
            if (here.isPresent() && each.origin().equals("source")) {
                Optional<SourceChange> its = here.get().find(each.recordKind().family(), each.sourceRef());
                changes.add(its.orElseGet(() -> new SourceChange.RecordGone(each.sourceRef())));
            }
        }
        Brought brought = there.isEmpty() ? Brought.NOTHING : news.look(route, found, goneThere, who);
        return new Looked(pull.look(route.sourceId(), changes, who), brought);
    }

    /// One that says of itself what nobody can use is set aside, and the rest goes on.
    ///
    /// @return false when it is not there any more
    private boolean lookThere(
            RouteRow route, FindsRecords there, Connection ledger, One one, List<LedgerRecord> found) {
        try {
            Optional<LedgerRecord> its = find(route, there, ledger, one);
            its.ifPresent(found::add);
            return its.isPresent() || one.ledgerRef() == null;
        } catch (AnswerUnusableException e) {
            String type = one.recordKind().isDocument() ? "document" : "payment";
            setAsides.keepOfLedger(
                    route.ledgerId(),
                    new Unusable(
                            type,
                            one.ledgerRef() == null ? one.sourceRef() : one.ledgerRef(),
                            type + " " + one.number(),
                            Kept.quoted(e.what()),
                            ""));
            return true;
        }
    }

    private static Optional<LedgerRecord> find(RouteRow route, FindsRecords there, Connection ledger, One one) {
        if (one.ledgerRef() != null) {
            return there.findRecord(one.recordKind().family(), one.ledgerRef());
        }
        return one.free()
                ? ledger.find(FindsByReference.class)
                        .flatMap(named ->
                                named.findByReference(one.recordKind().family(), route.reference(one.sourceRef())))
                : Optional.empty();
    }

    /// What is made here is on no other side before it has crossed.
    private List<One> of(RouteRow route, List<Long> records) {
        return jdbc.sql("""
                select d.kind, d.origin, d.number, d.source_ref, l.ledger_ref,
                    d.origin = 'source' and (d.outcome is null or d.outcome in ('refused', 'unreached')) and not\s""" + Records.LEFT_ALONE + """
                     as free
                from record d left join link l on l.record_id = d.id
                where d.route_id = :route and d.id = any(:ids) and d.kind <> :banking order by d.id""")
                .param("route", route.id())
                .param("ids", records.toArray(Long[]::new))
                .param("banking", RecordKind.BANKING.word())
                .query(One.class)
                .list();
    }
}
