package alcabala.server.crossing;

import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.compile.Affected;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Telling;
import alcabala.server.record.Records;
import alcabala.server.route.RouteRow;
import alcabala.server.trail.Trail;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// What people say a record stands for on its ledger: nothing, something else, or again what it stood for before.
@Component
public class LinkedByHand {
    private final JdbcClient jdbc;
    private final Apart apart;
    private final LeftAlone alone;
    private final Links links;
    private final Outcomes outcomes;
    private final TakenOver takenOver;
    private final Settlements settlements;
    private final Affected affected;
    private final Trail trail;
    private final Telling telling;

    LinkedByHand(
            JdbcClient jdbc,
            Apart apart,
            LeftAlone alone,
            Links links,
            Outcomes outcomes,
            TakenOver takenOver,
            Settlements settlements,
            Affected affected,
            Trail trail,
            Telling telling) {
        this.jdbc = jdbc;
        this.apart = apart;
        this.alone = alone;
        this.links = links;
        this.outcomes = outcomes;
        this.takenOver = takenOver;
        this.settlements = settlements;
        this.affected = affected;
        this.trail = trail;
        this.telling = telling;
    }

    /// Why what a record stands for cannot be taken from it now; empty where it can.
    public Optional<String> findHold(Records.Row record) {
        return find(record.id()).flatMap(LinkedByHand::hold);
    }

    /// Whether it stands for something.
    public boolean isLinked(long recordId) {
        return find(recordId).isPresent();
    }

    /// Whether somebody took away what it stood for, and nothing came in its place.
    public boolean isUnlinked(long recordId) {
        return !isLinked(recordId) && apart.find(recordId).isPresent();
    }

    /// Why a record cannot come to stand for anything by hand; empty where it can.
    public Optional<String> findUnfit(Records.Row record) {
        return switch (record.state()) {
            case "Voided" -> Optional.of(record.number() + " is void.");
            case "Queued", "Sending", "Unconfirmed" ->
                Optional.of(record.number() + " is on its way; wait until it is settled.");
            default -> Optional.empty();
        };
    }

    /// What it stood for before somebody took it away.
    public Optional<LedgerRecord> findFormer(long recordId) {
        return apart.find(recordId).map(Apart.Former::there);
    }

    private record Now(String outcome, String number, String usedBy) {}

    private Optional<Now> find(long recordId) {
        return jdbc.sql("""
                select coalesce(d.outcome, '') as outcome, d.number, coalesce((
                    select s.number from allocation a join record s on s.id = a.record_id
                    where a.number = d.number and a.kind = d.kind and s.source_id = d.source_id
                        and s.outcome in ('queued', 'sending', 'unconfirmed', 'posted')
                    order by s.id limit 1), '') as used_by
                from record d join link l on l.record_id = d.id where d.id = :id""").param("id", recordId).query(Now.class).optional();
    }

    private static Optional<String> hold(Now now) {
        if (List.of("queued", "sending", "unconfirmed").contains(now.outcome())) {
            return Optional.of("%s is on its way; wait until it is settled.".formatted(now.number()));
        }
        return now.usedBy().isEmpty()
                ? Optional.empty()
                : Optional.of(
                        "%s stands there on top of it; take that back or unlink it first.".formatted(now.usedBy()));
    }

    /// Both sides keep what they have; nothing of the two is sent, matched or asked about until somebody says so.
    ///
    /// @throws NotPossibleException when it stands for nothing, is on its way, or something stands on top of it
    @Transactional
    public void unlink(RouteRow route, Records.Row record, String who) {
        lock(record);
        LedgerRecord there = links.findSeen(record.id())
                .orElseThrow(() -> NotPossibleException.conflict(
                        "not-linked", record.number() + " stands for nothing there by now; look at it again."));
        takeApart(record, who);
        alone.leaveUnlinked(record.id(), who);
        said(route, record, there, who, "unlinked");
        affected.compileAgain(route.id(), List.of(record.id()), who, record.number() + " was unlinked");
        settlements.of(record.id(), "was unlinked");
    }

    private void takeApart(Records.Row record, String who) {
        findHold(record).ifPresent(reason -> {
            throw NotPossibleException.conflict("still-linked", reason);
        });
        apart.keep(record.id(), who);
        links.release(record.id());
        outcomes.takenApart(record.id());
    }

    /// From then on what both have is taken as agreed; what it stood for before is left alone.
    ///
    /// @param there as it was read there just now
    /// @throws NotPossibleException when it stands for another record, is void, or is of another kind or currency
    @Transactional
    public void link(RouteRow route, Records.Row record, LedgerRecord there, String who) {
        lock(record);
        if (there.isVoided()) {
            throw NotPossibleException.invalid("void-there", there.number() + " is void there.");
        }
        if (isLinked(record.id())) {
            takeApart(record, who);
        }
        orTaken(there, () -> takenOver.linkByHand(route, record.id(), there, who));
        apart.forget(record.id(), route.ledgerId(), there.id());
        alone.end(record.id());
        telling.tell(Topic.RECORDS, record.routeId(), who, record.id());
    }

    /// As the two were before they were taken apart.
    ///
    /// @throws NotPossibleException when what it stood for stands for another record by now
    @Transactional
    public void linkAgain(RouteRow route, Records.Row record, String who) {
        lock(record);
        Apart.Former former = apart.find(record.id())
                .orElseThrow(() ->
                        NotPossibleException.conflict("never-linked", record.number() + " stood for nothing before."));
        if (isLinked(record.id()) || isTaken(former)) {
            throw NotPossibleException.conflict(
                    "taken-meanwhile",
                    "%s stands for another record by now, or %s stands for something else; link it by hand."
                            .formatted(former.there().number(), record.number()));
        }
        orTaken(former.there(), () -> apart.restore(record.id(), former));
        alone.end(record.id());
        said(route, record, former.there(), who, "linked-again");
        affected.standsThere(record.id());
        settlements.of(record.id(), "is linked again");
    }

    /// Somebody else may link the same in this moment: the second of the two is told.
    private static void orTaken(LedgerRecord there, Runnable linking) {
        try {
            linking.run();
        } catch (DuplicateKeyException e) {
            throw NotPossibleException.conflict(
                    "paired-already", there.number() + " came to stand for another record in this moment.");
        }
    }

    private boolean isTaken(Apart.Former former) {
        return jdbc.sql("select exists (select 1 from link where ledger_id = :ledger and ledger_ref = :ref)")
                .param("ledger", former.ledgerId())
                .param("ref", former.there().id())
                .query(Boolean.class)
                .single();
    }

    private void lock(Records.Row record) {
        jdbc.sql("select id from record where id = :id for update")
                .param("id", record.id())
                .query(Long.class)
                .single();
    }

    private void said(RouteRow route, Records.Row record, LedgerRecord there, String who, String what) {
        trail.write(
                route.id(),
                record.id(),
                who,
                what,
                Map.of("ledger", route.ledger(), "number", there.number(), "ref", there.id()));
        telling.tell(Topic.RECORDS, record.routeId(), who, record.id());
    }
}
