package alcabala.server.send;

import alcabala.accounting.batch.ControlTotals;
import alcabala.accounting.matching.ItemNames;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.PutTogether;
import alcabala.accounting.record.Family;
import alcabala.accounting.record.Origin;
import alcabala.server.crossing.Posting;
import java.util.List;
import java.util.Set;

/// What the batch will do, before it does anything.
///
/// @param alike parties that resemble one that the batch creates: their documents stay
/// @param inPlace how many stand on the ledger already and are changed there
/// @param left those that were asked for and do not go
/// @param apart of those, whose two sides cannot be put together
record Preview(
        List<Prepared> documents,
        ControlTotals totals,
        List<Creation> parties,
        List<Alike> alike,
        List<Creation> items,
        List<ItemNames.Collision> collisions,
        int inPlace,
        List<Long> left,
        List<Apart> apart) {
    List<Long> ids() {
        return documents.stream().map(Prepared::id).toList();
    }

    List<ControlTotals.Member> members() {
        return documents.stream().map(Prepared::member).toList();
    }

    /// That of the first of them.
    Family family() {
        return documents.isEmpty()
                ? Family.DOCUMENT
                : documents.getFirst().posting().entry().kind().family();
    }

    /// The side that all of it comes from.
    Origin origin() {
        return documents.isEmpty() ? Origin.SOURCE : documents.getFirst().origin();
    }

    /// Something that the ledger lacks and gets.
    record Creation(String code, String name) {}

    /// One document of the batch, as it would go.
    ///
    /// @param undoes the dispatch that it takes back; null for what takes none back
    /// @param keeps of what both changed, the fields that stay as there; null where nothing is kept
    /// @param ruled whether of what was changed there only that stays which the route says is the ledger's
    /// @param asks fields that stay as they were changed there, about which a person is asked still
    record Prepared(
            long id,
            String sourceRef,
            int revision,
            String number,
            boolean stands,
            Origin origin,
            Party party,
            Posting posting,
            Long undoes,
            Set<String> keeps,
            boolean ruled,
            Set<String> asks) {
        ControlTotals.Member member() {
            LedgerEntry sent = posting.entry();
            return new ControlTotals.Member(number, sent.kind().isCredit(), sent.net(), sent.tax(), sent.gross());
        }
    }

    /// A document that stands on the ledger with something that its source's change cannot leave as it is there.
    record Apart(long id, String number, PutTogether.Outcome.Cannot cannot) {}

    /// @param like the name of the party that the batch creates
    record Alike(String code, String name, String like, int documents) {}
}
