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
    private final EnteredTwice twice;
    private final Records records;
    private final SourceFacts facts;
    private final Links links;
    private final Outcomes outcomes;
    private final TakenOver takenOver;
    private final Trail trail;

    SamePayments(
            JdbcClient jdbc,
            EnteredTwice twice,
            Records records,
            SourceFacts facts,
            Links links,
            Outcomes outcomes,
            TakenOver takenOver,
            Trail trail) {
        this.jdbc = jdbc;
        this.twice = twice;
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
        requireAsked(route, ours, theirs);
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
    /// @throws NotPossibleException when it is not asked of the two, or not any more
    @Transactional
    public void areOne(RouteRow route, long ours, long theirs, String who) {
        requireAsked(route, ours, theirs);
        Records.Row entered = records.get(theirs);
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

    /// Neither of them begins to go, and nobody else answers, until this has ended.
    private void requireAsked(RouteRow route, long ours, long theirs) {
        jdbc.sql("select id from record where id in (:ours, :theirs) order by id for update")
                .param("ours", ours)
                .param("theirs", theirs)
                .query(Long.class)
                .list();
        boolean asked = twice.of(route).stream()
                .anyMatch(pair -> pair.ours().id() == ours && pair.theirs().id() == theirs);
        if (!asked) {
            throw NotPossibleException.conflict(
                    "not-asked",
                    "The two are not asked about any more: one has crossed by now, or somebody has answered.");
        }
    }
}
