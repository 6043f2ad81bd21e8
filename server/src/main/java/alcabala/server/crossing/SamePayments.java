package alcabala.server.crossing;

import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.record.Records;
import alcabala.server.record.SourceFacts;
import alcabala.server.route.RouteRow;
import alcabala.server.trail.Trail;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// One payment that was entered on both sides: that of the source comes to stand for that on the ledger, and what was
/// made of the ledger's goes nowhere any more.
@Component
public class SamePayments {
    private final JdbcClient jdbc;
    private final Records records;
    private final SourceFacts facts;
    private final Links links;
    private final Outcomes outcomes;
    private final TakenOver takenOver;
    private final Trail trail;

    SamePayments(
            JdbcClient jdbc,
            Records records,
            SourceFacts facts,
            Links links,
            Outcomes outcomes,
            TakenOver takenOver,
            Trail trail) {
        this.jdbc = jdbc;
        this.records = records;
        this.facts = facts;
        this.links = links;
        this.outcomes = outcomes;
        this.takenOver = takenOver;
        this.trail = trail;
    }

    /// From now on both go where they go.
    @Transactional
    public void areTwo(RouteRow route, long ours, long theirs, String who) {
        records.record(route.id(), ours);
        records.record(route.id(), theirs);
        jdbc.sql("insert into payment_apart (ours, theirs) values (:ours, :theirs) on conflict do nothing")
                .param("ours", ours)
                .param("theirs", theirs)
                .update();
        trail.write(
                route.id(),
                ours,
                who,
                "payments-apart",
                Map.of("number", records.get(theirs).number(), "side", route.ledger()));
    }

    /// @param ours entered in the source, and on the ledger not yet
    /// @param theirs entered on the ledger, and in the source not yet
    /// @throws NotPossibleException when either has crossed by now, or is on its way
    @Transactional
    public void areOne(RouteRow route, long ours, long theirs, String who) {
        Records.Row entered = records.get(theirs);
        boolean free = jdbc.sql("""
                select true from record where id = :id and route_id = :route and origin = 'ledger' and not voided
                    and (outcome is null or outcome in ('refused', 'unreached')) for update""")
                .param("id", theirs)
                .param("route", route.id())
                .query(Boolean.class)
                .optional()
                .orElse(false);
        if (!free) {
            throw NotPossibleException.conflict(
                    "crossed-by-now",
                    entered.number() + " has gone to " + route.source() + " by now, or is on its way.");
        }
        LedgerRecord there = links.findSeen(theirs).orElseThrow();
        links.release(theirs);
        outcomes.takenApart(theirs);
        facts.voidedThere(route.sourceId(), entered.sourceRef(), true);
        trail.write(
                route.id(),
                theirs,
                who,
                "same-payment",
                Map.of("number", records.get(ours).number(), "side", route.source()));
        takenOver.link(route, ours, there, who);
    }
}
