package alcabala.server.crossing;

import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.Fate;
import alcabala.accounting.sync.Side;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.Telling;
import alcabala.server.record.SourceFacts;
import alcabala.server.trail.Trail;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Records that one side does not have any more. Nothing of it is done to the other side by itself; what neither side
/// has any more has ended (synchronisation, "Gone").
@Component
public class Gone {
    private final JdbcClient jdbc;
    private final Outcomes outcomes;
    private final SourceFacts facts;
    private final Undone undone;
    private final Settlements settlements;
    private final Links links;
    private final Trail trail;
    private final Telling telling;

    /// @param gone the side that is known not to have it; empty for none
    /// @param stands whether it stands on the side to which it goes, and nothing of it is on its way
    /// @param crossed whether it stands there, or may
    private record Of(
            long id,
            long routeId,
            String origin,
            String gone,
            boolean stands,
            boolean crossed,
            boolean endsHere,
            boolean endsThere) {
        /// Whether each side has it, and has it standing, now that one does not have it any more.
        Both<Boolean> there(Side without) {
            Both<Boolean> has = new Both<>(!gone.equals("source") && !endsHere, !gone.equals("ledger") && !endsThere);
            return has.with(without, false);
        }
    }

    private static final String SELECT = """
            select d.id, d.route_id, d.origin, d.gone, d.voided as ends_here, coalesce(d.outcome = 'posted', false) as stands,
                coalesce(d.outcome in ('queued', 'sending', 'unconfirmed', 'posted'), false) as crossed,
                coalesce('true' in (l.ledger_now->'settlement'->>'voided', l.ledger_now->>'taken'), false) as ends_there
            from record d left join link l on l.record_id = d.id
            where d.outcome is distinct from 'cancelled' and\s""";

    Gone(
            JdbcClient jdbc,
            Outcomes outcomes,
            SourceFacts facts,
            Undone undone,
            Settlements settlements,
            Links links,
            Trail trail,
            Telling telling) {
        this.jdbc = jdbc;
        this.outcomes = outcomes;
        this.facts = facts;
        this.undone = undone;
        this.settlements = settlements;
        this.links = links;
        this.trail = trail;
        this.telling = telling;
    }

    /// As the ledger tells it, by its ids; those that no record of ours stands for were waiting for one.
    ///
    /// @return how many were there before
    @Transactional
    public int there(long ledgerId, Collection<String> refs, String who) {
        if (refs.isEmpty()) {
            return 0;
        }
        String[] ids = refs.toArray(String[]::new);
        for (String table : List.of("ledger_booked", "beyond", "entered_there")) {
            jdbc.sql("delete from " + table + " where ledger_id = :ledger and ledger_ref = any(:refs)")
                    .param("ledger", ledgerId)
                    .param("refs", ids)
                    .update();
        }
        return become(
                jdbc.sql(SELECT + "l.ledger_id = :ledger and l.ledger_ref = any(:refs) order by d.id for update of d")
                        .param("ledger", ledgerId)
                        .param("refs", ids)
                        .query(Of.class)
                        .list(),
                Side.LEDGER,
                who);
    }

    /// As the source tells it, by what identifies them there.
    ///
    /// @return how many were there before
    @Transactional
    public int here(long sourceId, Collection<String> refs, String who) {
        if (refs.isEmpty()) {
            return 0;
        }
        return become(
                jdbc.sql(SELECT + "d.source_id = :source and d.source_ref = any(:refs) order by d.id for update of d")
                        .param("source", sourceId)
                        .param("refs", refs.toArray(String[]::new))
                        .query(Of.class)
                        .list(),
                Side.SOURCE,
                who);
    }

    private int become(List<Of> known, Side without, String who) {
        int gone = 0;
        for (Of each : known) {
            boolean tells = each.crossed() || each.origin().equals(word(without));
            gone += tells && become(each, without, who) ? 1 : 0;
        }
        return gone;
    }

    /// What never crossed is told of by the side that made it alone: it goes no more, unless it is told of again.
    ///
    /// @return whether it was there before
    private boolean become(Of each, Side without, String who) {
        if (!each.crossed() && without == Side.SOURCE) {
            return voidHere(each, who);
        }
        // What is on its way comes to its end first.
        boolean ended = each.stands() && Fate.ofLinked(each.there(without)) == Fate.ENDED;
        if (!each.crossed() || ended) {
            outcomes.ended(each.id());
            say(each.routeId(), each.id(), who, "gone-on-both", without);
            return true;
        }
        if (each.gone().isEmpty()) {
            outcomes.gone(each.id(), word(without));
            say(each.routeId(), each.id(), who, "gone", without);
            return true;
        }
        return false;
    }

    private boolean voidHere(Of each, String who) {
        if (each.endsHere()) {
            return false;
        }
        facts.voidedHere(each.id());
        settlements.of(each.id(), "was deleted");
        say(each.routeId(), each.id(), who, "gone", Side.SOURCE);
        return true;
    }

    /// Whether one side does not have it any more, and nobody has said yet what becomes of it.
    public boolean isGone(long recordId) {
        return jdbc.sql("select gone <> '' from record where id = :id")
                .param("id", recordId)
                .query(Boolean.class)
                .single();
    }

    /// What was gone goes where it is missing, or is taken back where it still stands: whichever side made it is right.
    /// Those that are not gone by now are left as they are.
    ///
    /// @return those that can be sent now
    @Transactional
    public List<Long> follow(long routeId, Collection<Long> ids, String who) {
        List<Of> found = jdbc.sql(SELECT + """
                d.route_id = :route and d.id = any(:ids) and d.gone <> '' and d.outcome = 'posted'
                order by d.id for update of d""")
                .param("route", routeId)
                .param("ids", ids.toArray(Long[]::new))
                .query(Of.class)
                .list();
        for (Of each : found) {
            boolean made = each.gone().equals(each.origin());
            if (made) {
                takesBack(each);
            } else {
                goesAgain(each);
            }
            say(each.routeId(), each.id(), who, made ? "gone-taken-back" : "gone-goes-again", side(each.gone()));
        }
        return found.stream().map(Of::id).toList();
    }

    private void goesAgain(Of each) {
        outcomes.gone(each.id(), "");
        if (each.origin().equals("source")) {
            undone.keep(List.of(each.id()));
        } else {
            outcomes.neverArrived(each.id());
        }
        settlements.of(each.id(), "goes again");
    }

    private void takesBack(Of each) {
        if (each.origin().equals("source")) {
            facts.voidedHere(each.id());
            outcomes.gone(each.id(), "");
        } else {
            links.takenThere(each.id());
            outcomes.takenThere(each.id());
        }
    }

    /// The ledger tells of one again.
    void isThereAgain(long routeId, long recordId, String who) {
        outcomes.gone(recordId, "");
        say(routeId, recordId, who, "there-again", Side.LEDGER);
    }

    /// The source tells of them again.
    @Transactional
    public void areHereAgain(long sourceId, Collection<String> refs, String who) {
        record Back(long routeId, long id) {}
        jdbc.sql("""
                update record set gone = '', version = version + 1
                where source_id = :source and source_ref = any(:refs) and gone = 'source' returning route_id, id""")
                .param("source", sourceId)
                .param("refs", refs.toArray(String[]::new))
                .query(Back.class)
                .list()
                .forEach(back -> say(back.routeId(), back.id(), who, "there-again", Side.SOURCE));
    }

    /// What is gone on one side and was voided on the other since has ended: there is nothing to ask.
    @Transactional
    public void endVoided(String who) {
        jdbc
                .sql(SELECT + "d.outcome = 'posted' and d.gone <> '' order by d.id for update of d")
                .query(Of.class)
                .list()
                .stream()
                .filter(each -> Fate.ofLinked(each.there(side(each.gone()))) == Fate.ENDED)
                .forEach(each -> {
                    outcomes.ended(each.id());
                    say(each.routeId(), each.id(), who, "gone-on-both", side(each.gone()));
                });
    }

    private static Side side(String gone) {
        return gone.equals("source") ? Side.SOURCE : Side.LEDGER;
    }

    private static String word(Side side) {
        return side == Side.SOURCE ? "source" : "ledger";
    }

    private void say(long routeId, long recordId, String who, String what, Side side) {
        trail.write(routeId, recordId, who, what, Map.of("side", word(side)));
        telling.tell(Topic.RECORDS, routeId, who, recordId);
    }
}
