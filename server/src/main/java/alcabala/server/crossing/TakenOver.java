package alcabala.server.crossing;

import alcabala.accounting.field.SourceHalf;
import alcabala.accounting.record.Record;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.compile.Affected;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.record.Records;
import alcabala.server.route.RouteRow;
import alcabala.server.trail.Trail;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Documents that both sides had before anything crossed: they are paired without being sent, so that what settles
/// them can cross (records, section 2).
@Component
public class TakenOver {
    private final JdbcClient jdbc;
    private final Records records;
    private final Links links;
    private final Outcomes outcomes;
    private final Settlements settlements;
    private final Affected affected;
    private final Trail trail;
    private final Clock clock;

    TakenOver(
            JdbcClient jdbc,
            Records records,
            Links links,
            Outcomes outcomes,
            Settlements settlements,
            Affected affected,
            Trail trail,
            Clock clock) {
        this.jdbc = jdbc;
        this.records = records;
        this.links = links;
        this.outcomes = outcomes;
        this.settlements = settlements;
        this.affected = affected;
        this.trail = trail;
        this.clock = clock;
    }

    /// @param there what it is on the ledger, as it was seen there last
    /// @throws NotPossibleException when either is paired already, is on its way, or they are not of one kind
    @Transactional
    public void link(RouteRow route, long recordId, LedgerRecord there, String who) {
        pair(route, recordId, there, who, true);
    }

    /// The same apart from the cut-over, so that it is not counted with it.
    void linkByHand(RouteRow route, long recordId, LedgerRecord there, String who) {
        pair(route, recordId, there, who, false);
    }

    private void pair(RouteRow route, long recordId, LedgerRecord there, String who, boolean atCutOver) {
        Record record = records.record(route.id(), recordId);
        requireFree(route, recordId, there);
        if (record.kind() != there.recordKind()) {
            throw NotPossibleException.invalid(
                    "kinds-differ",
                    "%s is %s and %s is %s; they cannot be the same."
                            .formatted(
                                    record.number(),
                                    record.kind().word(),
                                    there.number(),
                                    there.recordKind().word()));
        }
        if (!there.isIn(record.currency())) {
            throw NotPossibleException.invalid(
                    "amounts-unfit",
                    "%s has amounts there that %s does not know."
                            .formatted(there.number(), record.currency().getCode()));
        }
        outcomes.takenOver(recordId, record.currency().getCode(), there, clock.instant());
        links.pair(recordId, route.ledgerId(), there, SourceHalf.of(record), clock.instant(), atCutOver);
        trail.write(
                route.id(),
                recordId,
                who,
                atCutOver ? "taken-over" : "linked",
                Map.of("ledger", route.ledger(), "number", there.number(), "ref", there.id()));
        affected.standsThere(recordId);
        settlements.of(recordId, "is paired with " + there.number());
    }

    private void requireFree(RouteRow route, long recordId, LedgerRecord there) {
        boolean free = jdbc.sql("""
                select true from record where id = :id and route_id = :route and ledger_ref is null
                    and (outcome is null or outcome in ('refused', 'unreached')) and not voided for update""")
                .param("id", recordId)
                .param("route", route.id())
                .query(Boolean.class)
                .optional()
                .orElse(false);
        boolean taken = jdbc.sql("select exists (select 1 from link where ledger_id = :ledger and ledger_ref = :ref)")
                .param("ledger", route.ledgerId())
                .param("ref", there.id())
                .query(Boolean.class)
                .single();
        if (!free || taken) {
            throw NotPossibleException.conflict(
                    "paired-already",
                    "%s stands for another document by now, or what you chose for it does; compare both sides anew."
                            .formatted(there.number()));
        }
    }

    /// Takes it apart again, as if it had never been.
    ///
    /// @throws NotPossibleException when it was not paired so, or something that settles it has crossed since
    @Transactional
    public void unlink(RouteRow route, long recordId, String who) {
        Record record = records.record(route.id(), recordId);
        if (isSettled(recordId)) {
            throw NotPossibleException.conflict(
                    "settled-since",
                    "What settles %s has gone to %s, where it settles its counterpart; take that back first."
                            .formatted(record.number(), route.ledger()));
        }
        if (!links.takeApart(recordId)) {
            throw NotPossibleException.conflict(
                    "not-taken-over", record.number() + " was not paired at cut-over, or is not any more.");
        }
        outcomes.takenApart(recordId);
        trail.write(route.id(), recordId, who, "taken-apart", Map.of("ledger", route.ledger()));
        affected.compileAgain(route.id(), List.of(recordId), who, record.number() + " was taken apart");
        settlements.of(recordId, "was taken apart");
    }

    private boolean isSettled(long recordId) {
        return jdbc.sql("""
                select exists (
                    select 1 from record d join allocation a on a.number = d.number and a.kind = d.kind
                        join record s on s.id = a.record_id and s.source_id = d.source_id
                    where d.id = :id and s.origin = 'source' and s.outcome in ('queued', 'sending', 'unconfirmed', 'posted'))""").param("id", recordId).query(Boolean.class).single();
    }
}
