package alcabala.server.send;

import alcabala.accounting.record.Origin;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Trigger;
import alcabala.server.crossing.EnteredTwice;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.record.Records;
import alcabala.server.record.Stored;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.util.List;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Finds the documents that a batch may take.
@Component
class Candidates {
    private static final int LARGEST = 10_000;
    /// What was entered on the ledger and is void there, and is still on its source.
    static final String VOIDED_THERE = """
            (d.origin = 'ledger' and not d.voided and d.gone = '' and exists (
                select 1 from link v where v.record_id = d.id
                    and 'true' in (v.ledger_now->'settlement'->>'voided', v.ledger_now->>'taken')))""";
    /// What was entered on the ledger and was changed there since it went to its source.
    static final String CHANGED_THERE = """
            (d.origin = 'ledger' and not d.voided and d.gone = '' and is_document(d.kind)
                and d.revision > d.outcome_revision)""";
    /// What is changed or taken back where it stands.
    static final String GOES_AGAIN =
            "(" + VOIDED_THERE + " or " + CHANGED_THERE + " or d.origin = 'source' and d.gone = '')";
    /// What did not get through, and is another since: nothing of what was tried can be tried again. What somebody took
    /// back waits for somebody.
    static final String TRIED_BEFORE_ITS_CHANGE = """
            (d.outcome = 'unreached' and d.revision > (
                select case when p.undoes is null then p.revision end from dispatch p
                where p.record_id = d.id order by p.id desc limit 1))""";
    /// What can go: what is not there yet, and what stands on the ledger that the route leads to and differs from the
    /// source.
    static final String CAN_GO =
            "(d.state in ('Ready', 'Refused') or (d.state = 'Diverged' and " + GOES_AGAIN + """
             and exists (
                select 1 from link l join route r on r.ledger_id = l.ledger_id
                where l.record_id = d.id and r.id = d.route_id))) and not\s""" + Records.LEFT_ALONE;
    private final JdbcClient jdbc;
    private final SettingStore settings;
    private final EnteredTwice twice;

    /// A document that may go, as it stands now.
    ///
    /// @param origin the side on which it was made
    /// @param differs whether it was changed there
    /// @param ledgerGross as it stands there, in minor units; null where it does not
    record Candidate(
            long id,
            String sourceRef,
            String number,
            String state,
            int revision,
            boolean voided,
            boolean differs,
            Long ledgerGross,
            String origin,
            boolean voidedThere,
            String content) {
        /// Whether it is taken back.
        boolean isTakenBack() {
            return stands() && (voided || voidedThere);
        }

        boolean isFromLedger() {
            return origin.equals(Origin.LEDGER.word());
        }

        boolean stands() {
            return state.equals("Diverged");
        }
    }

    Candidates(JdbcClient jdbc, SettingStore settings, EnteredTwice twice) {
        this.jdbc = jdbc;
        this.settings = settings;
        this.twice = twice;
    }

    List<Candidate> of(RouteRow route, Choice choice) {
        boolean named = choice.isNamed();
        List<Candidate> found = jdbc.sql("""
                select d.id, d.source_ref, d.number, d.state, d.revision, d.voided, d.ledger_differs as differs, d.ledger_gross, d.origin,\s""" + VOIDED_THERE + " as voided_there, " + Stored.COLUMN + " from record d"
                        + Stored.JOIN + """
                where d.route_id = :route and""" + CAN_GO + """
                    and (:named or d.state = 'Ready'
                        or (d.state = 'Diverged' and not d.ledger_differs and d.refusal = ''))
                    and (:named or d.kind <> all(:byHand)) and d.kind = any(:kinds)
                    and (:named = false or d.id = any(:ids))
                    and (cast(:origin as text) is null or d.origin = :origin)
                    and (:named or d.currency = :currency)
                    and (cast(:from as date) is null or d.issue_date >= :from)
                    and (cast(:to as date) is null or d.issue_date <= :to)
                order by d.issue_date, d.id limit :limit""")
                .param("route", route.id())
                .param("named", named)
                .param("byHand", chosenByHand(route))
                .param("kinds", choice.kinds())
                .param(
                        "origin",
                        choice.origin() == null ? null : choice.origin().word(),
                        java.sql.Types.VARCHAR)
                .param("currency", choice.currency().isEmpty() ? route.currency() : choice.currency())
                .param("ids", named ? choice.ids().toArray(Long[]::new) : new Long[0])
                .param("from", named ? null : choice.from(), java.sql.Types.DATE)
                .param("to", named ? null : choice.to(), java.sql.Types.DATE)
                .param("limit", LARGEST + 1)
                .query(Candidate.class)
                .list();
        if (found.size() > LARGEST) {
            throw NotPossibleException.invalid(
                    "batch-too-large",
                    "A batch takes at most " + LARGEST + " documents; choose a shorter span of days.");
        }
        Set<Long> doubtful = twice.ids(route);
        return found.stream().filter(each -> !doubtful.contains(each.id())).toList();
    }

    /// Kinds that go only when somebody names the document.
    String[] chosenByHand(RouteRow route) {
        RouteSettings decided = settings.of(route.id());
        return RecordKind.words(kind -> decided.trigger(kind) == Trigger.BY_HAND);
    }
}
