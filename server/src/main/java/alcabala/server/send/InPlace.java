package alcabala.server.send;

import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.PutTogether;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.sync.Kept;
import alcabala.server.merge.Together;
import alcabala.server.send.Candidates.Candidate;
import alcabala.server.send.Choice.Standing;
import alcabala.server.send.Preview.Apart;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/// The documents of a batch that stand on the ledger and go in their own place: what of each is kept there, as its
/// batch says.
final class InPlace {
    private final Choice choice;
    private final RouteSettings decided;
    private final Together.Of sides;
    private final List<Apart> apart = new ArrayList<>();

    InPlace(Choice choice, RouteSettings decided, Together.Of sides) {
        this.choice = choice;
        this.decided = decided;
        this.sides = sides;
    }

    /// Empty for what goes as its source has it; where the two cannot be put together that is remembered.
    Optional<PutTogether.Outcome> find(Candidate candidate, Record record, Compilation compiled) {
        if (!candidate.stands() || !keeps(candidate) || !record.kind().hasParty()) {
            return Optional.empty();
        }
        Optional<PutTogether.Outcome> both = sides.find(candidate.id(), record, compiled, whose(record.kind()));
        both.filter(PutTogether.Outcome.Cannot.class::isInstance)
                .map(PutTogether.Outcome.Cannot.class::cast)
                .ifPresent(cannot -> apart.add(new Apart(candidate.id(), candidate.number(), cannot)));
        return both;
    }

    private UnaryOperator<Kept> whose(RecordKind kind) {
        return choice.standing() == Standing.RULED ? Together.ruled(decided, kind) : Together.said(choice.ledgers());
    }

    private boolean keeps(Candidate candidate) {
        return switch (choice.standing()) {
            case KEPT, ASKED, RULED -> true;
            case REPLACED -> false;
            case LEFT_APART -> !candidate.differs();
        };
    }

    List<Apart> apart() {
        return List.copyOf(apart);
    }
}
