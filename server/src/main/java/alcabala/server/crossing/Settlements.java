package alcabala.server.crossing;

import alcabala.accounting.record.Record;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Settlement;
import alcabala.server.compile.Affected;
import alcabala.server.record.Records;
import alcabala.server.record.Refs;
import alcabala.server.trail.Trail;
import java.util.List;
import java.util.Map;
import java.util.Set;
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
    private final Trail trail;

    private record Waiting(long id, long routeId) {}

    Settlements(JdbcClient jdbc, Records records, Affected affected, Outcomes outcomes, Trail trail) {
        this.jdbc = jdbc;
        this.records = records;
        this.affected = affected;
        this.outcomes = outcomes;
        this.trail = trail;
    }

    /// Something became of a record: settlements that name it, or the documents that it settles, are compiled again.
    void became(Dispatch dispatch) {
        if (!named(dispatch)) {
            return;
        }
        Record record = records.record(dispatch.recordId());
        waiting(Refs.settled(record), dispatch.recordId())
                .forEach(each -> affected.compileAgain(
                        each.routeId(),
                        List.of(each.id()),
                        WHO,
                        record.kind().word() + " " + record.number() + " crossed"));
        if (record instanceof Settlement settlement) {
            tell(dispatch, settlement);
        }
    }

    /// Most documents are named by nobody: nothing of them is read then.
    private boolean named(Dispatch dispatch) {
        return jdbc.sql("""
                select exists (select 1 from record d join allocation a
                    on a.record_id = d.id or (a.number = d.number and a.kind = d.kind) where d.id = :id)""")
                .param("id", dispatch.recordId())
                .query(Boolean.class)
                .single();
    }

    private List<Waiting> waiting(Set<String> refs, long but) {
        return jdbc.sql("""
                select id, route_id from record where refs && cast(:refs as text[]) and id <> :but
                    and outcome is distinct from 'posted' and (outcome is null or outcome in ('refused', 'unreached'))
                order by id""")
                .param("refs", refs.toArray(String[]::new))
                .param("but", but)
                .query(Waiting.class)
                .list();
    }

    private void tell(Dispatch dispatch, Settlement settlement) {
        for (Allocation each : settlement.allocations()) {
            jdbc.sql("""
                    select d.id, d.route_id from record s join record d on d.source_id = s.source_id
                    where s.id = :settlement and d.number = :number and d.kind = :kind""")
                    .param("settlement", dispatch.recordId())
                    .param("number", each.number())
                    .param("kind", each.kind().word())
                    .query(Waiting.class)
                    .list()
                    .forEach(document -> tell(settlement, each, document));
        }
    }

    private void tell(Settlement settlement, Allocation each, Waiting document) {
        outcomes.settled(document.id());
        trail.write(
                document.routeId(),
                document.id(),
                WHO,
                "settled",
                Map.of("by", settlement.number(), "amount", each.settled().getAmount()));
    }
}
