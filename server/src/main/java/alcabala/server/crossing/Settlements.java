package alcabala.server.crossing;

import alcabala.accounting.posting.Cancellation;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.LedgerJournal;
import alcabala.accounting.posting.LedgerSettlement;
import alcabala.accounting.record.Record;
import alcabala.server.compile.Affected;
import alcabala.server.platform.Copy;
import alcabala.server.record.Records;
import alcabala.server.record.Refs;
import alcabala.server.trail.Trail;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What the crossing of one record means for others: what waits for it is released, and what it settles says so.
@Component
class Settlements {
    private static final String WHO = "Alcabala";
    private final JdbcClient jdbc;
    private final Records records;
    private final Affected affected;
    private final Outcomes outcomes;
    private final Postings postings;
    private final Trail trail;

    private record Waiting(long id, long routeId) {}

    Settlements(
            JdbcClient jdbc, Records records, Affected affected, Outcomes outcomes, Postings postings, Trail trail) {
        this.jdbc = jdbc;
        this.records = records;
        this.affected = affected;
        this.outcomes = outcomes;
        this.postings = postings;
        this.trail = trail;
    }

    /// Something became of a record: settlements that name it, or the documents that it settles, are compiled again.
    void became(Dispatch dispatch) {
        if (!named(dispatch.recordId())) {
            return;
        }
        Record record = records.record(dispatch.recordId());
        if (!dispatch.back()) {
            postings.find(dispatch).ifPresent(posting -> settle(dispatch, posting.entry()));
        }
        compile(record, dispatch.recordId(), record.kind().word() + " " + record.number() + " crossed");
    }

    /// Something else became of a document: the ledger says that it is paid otherwise than was known, or it stands
    /// there without having been sent. What settles it may take more or less.
    ///
    /// @param what after its number
    void of(long documentId, String what) {
        if (named(documentId)) {
            Record document = records.record(documentId);
            compile(document, documentId, document.number() + " " + what);
        }
    }

    private void compile(Record record, long but, String because) {
        waiting(Refs.settled(record), but)
                .forEach(each -> affected.compileAgain(each.routeId(), List.of(each.id()), WHO, because));
    }

    /// Most documents are named by nobody: nothing of them is read then. In another currency than the books' they may
    /// be named by credit notes, which take their rate.
    private boolean named(long recordId) {
        return jdbc.sql("""
                select exists (select 1 from record d join allocation a
                    on a.record_id = d.id or (a.number = d.number and a.kind = d.kind) where d.id = :id)
                    or exists (select 1 from record d join route r on r.id = d.route_id join ledger l on l.id = r.ledger_id
                        where d.id = :id and d.currency <> l.currency)""").param("id", recordId).query(Boolean.class).single();
    }

    /// Held until this transaction ends: what waits for two records that cross at the same moment, in two lanes, is
    /// compiled by the second of them once the first has crossed. Neither would see the other otherwise.
    private List<Waiting> waiting(Set<String> refs, long but) {
        return jdbc.sql("""
                select id, route_id from record where refs && cast(:refs as text[]) and id <> :but
                    and (outcome is null or outcome in ('refused', 'unreached')) order by id for update""")
                .param("refs", Copy.array(refs))
                .param("but", but)
                .query(Waiting.class)
                .list();
    }

    /// What was sent says which documents it settles; what was taken back, or came back, opens them again.
    private void settle(Dispatch dispatch, LedgerEntry entry) {
        switch (entry) {
            case LedgerSettlement sent -> {
                Map<String, Money> settled = settled(sent);
                postings.findReplaced(dispatch)
                        .filter(LedgerSettlement.class::isInstance)
                        .ifPresent(former -> settled((LedgerSettlement) former)
                                .forEach((document, amount) -> settled.merge(document, amount.negated(), Money::plus)));
                settle(dispatch, sent, settled);
            }
            case Cancellation taken -> {
                if (taken.cancelled() instanceof LedgerSettlement sent) {
                    Map<String, Money> settled = settled(sent);
                    settled.replaceAll((document, amount) -> amount.negated());
                    settle(dispatch, sent, settled);
                }
            }
            case LedgerDocument document -> {}
            case LedgerJournal journal -> {}
        }
    }

    /// By the ledger's ids of the documents; negative where they are open again.
    private static Map<String, Money> settled(LedgerSettlement sent) {
        Map<String, Money> settled = new LinkedHashMap<>();
        int sign = sent.kind().isReturn() ? -1 : 1;
        sent.parts()
                .forEach(part -> settled.merge(part.document(), part.settled().multipliedBy(sign), Money::plus));
        return settled;
    }

    private void settle(Dispatch dispatch, LedgerSettlement sent, Map<String, Money> settled) {
        settled.values().removeIf(Money::isZero);
        settled.forEach((id, amount) -> jdbc.sql("""
                    select l.record_id as id, d.route_id from link l join record d on d.id = l.record_id
                        join route r on r.id = :route and r.ledger_id = l.ledger_id
                    where l.ledger_ref = :ref""")
                .param("route", dispatch.routeId())
                .param("ref", id)
                .query(Waiting.class)
                .list()
                .forEach(document -> settle(dispatch, sent.number(), amount, document)));
    }

    private void settle(Dispatch dispatch, String number, Money settled, Waiting document) {
        outcomes.settled(document.id(), settled.getAmountMinorLong(), dispatch);
        trail.write(
                document.routeId(),
                document.id(),
                WHO,
                settled.isNegative() ? "opened-again" : "settled",
                Map.of("by", number, "amount", settled.abs().getAmount()));
    }
}
