package alcabala.server.crossing;

import alcabala.accounting.field.Half;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.sync.LineMatch;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.platform.Amounts;
import alcabala.server.record.SourceFacts;
import alcabala.server.trail.Trail;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/// What becomes of a record once the other side has answered what it has of it now. Within the transaction in which its
/// dispatch is posted.
@Component
class Landing {
    private final Undone undone;
    private final Outcomes outcomes;
    private final SourceFacts facts;
    private final Links links;
    private final Postings postings;
    private final DecidedTax decidedTax;
    private final EditedThere edited;
    private final CrosswalkStore crosswalk;
    private final Trail trail;

    Landing(
            Undone undone,
            Outcomes outcomes,
            SourceFacts facts,
            Links links,
            Postings postings,
            DecidedTax decidedTax,
            EditedThere edited,
            CrosswalkStore crosswalk,
            Trail trail) {
        this.undone = undone;
        this.outcomes = outcomes;
        this.facts = facts;
        this.links = links;
        this.postings = postings;
        this.decidedTax = decidedTax;
        this.edited = edited;
        this.crosswalk = crosswalk;
        this.trail = trail;
    }

    /// @param record as it was answered
    void take(Dispatch dispatch, LedgerRecord record, Instant now, String who) {
        if (dispatch.undoes()) {
            undone.keep(List.of(dispatch.recordId()));
        } else if (dispatch.back()) {
            outcomes.arrived(dispatch, record, saysOtherwise(dispatch, record) ? 0 : dispatch.revision(), now);
            facts.arrived(dispatch.recordId(), record.number());
            links.arrived(dispatch.recordId(), record);
        } else {
            stands(dispatch, record, now, who);
        }
    }

    /// A source that had it already, though that was not known here, answers what it had: what it was told now goes in
    /// the place of that next.
    private boolean saysOtherwise(Dispatch dispatch, LedgerRecord record) {
        return !dispatch.inPlace()
                && record.recordKind().isDocument()
                && postings.find(dispatch)
                        .map(sent -> sent.entry().gross().getAmount())
                        .filter(told -> told.compareTo(record.gross()) != 0)
                        .isPresent();
    }

    private void stands(Dispatch dispatch, LedgerRecord record, Instant now, String who) {
        outcomes.hold(dispatch.recordId());
        // Somebody may have changed it there since; the news of that came before the answer.
        Links.Before before = links.before(dispatch);
        LedgerRecord latest =
                before.seen().filter(seen -> seen.version() > record.version()).orElse(record);
        Half agreed = before.agreed(decidedTax.agreed(dispatch, record));
        boolean differs = LineMatch.differs(agreed, latest.half())
                && crosswalk.crossed(dispatch.routeId()).differsThere(agreed, latest.half());
        outcomes.posted(dispatch, record.id(), latest, false, now);
        links.agree(dispatch, before, record, agreed, latest, now);
        if (differs) {
            edited.heed(dispatch, who);
        }
        decidedTax.compare(dispatch, record).ifPresent(otherwise -> decidedOtherwise(dispatch, otherwise, who));
    }

    /// Sent again it would be decided again, so that nothing but a person settles it.
    private void decidedOtherwise(Dispatch dispatch, Finding.TaxDecidedOtherwise tax, String who) {
        outcomes.refuse(dispatch.recordId(), tax.kind());
        trail.write(
                dispatch.routeId(),
                dispatch.recordId(),
                who,
                tax.kind(),
                Map.of(
                        "stated",
                        Amounts.decimal(tax.stated()),
                        "decided",
                        Amounts.decimal(tax.decided()),
                        "batch",
                        dispatch.batchId()));
    }
}
