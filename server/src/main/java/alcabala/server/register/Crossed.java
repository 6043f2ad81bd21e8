package alcabala.server.register;

import alcabala.accounting.batch.BatchSummary;
import alcabala.accounting.posting.Cancellation;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.record.Record;
import java.time.Instant;
import java.util.List;
import java.util.function.Function;
import org.joda.money.Money;

/// One record as it went in a batch.
///
/// @param outcome as the dispatch has it
/// @param there the ledger's number of it; empty as long as it has none
/// @param answeredAt null before there was an answer
/// @param said as its source stated it then
/// @param replaced what stood there until this took its place; null where nothing did
record Crossed(
        long postingId,
        long batch,
        String number,
        String party,
        String outcome,
        String there,
        Instant answeredAt,
        LedgerEntry entry,
        Record said,
        Crossed replaced) {
    /// Whether it is on the ledger's books by this, or may be.
    boolean counts() {
        return !outcome.equals("refused") && !outcome.equals("unreached");
    }

    boolean isTakenBack() {
        return entry instanceof Cancellation;
    }

    Money net() {
        return signed(entry.net());
    }

    Money tax() {
        return signed(entry.tax());
    }

    Money gross() {
        return signed(entry.gross());
    }

    /// What takes something back is negative itself.
    private Money signed(Money amount) {
        return entry.kind().isCredit() ? amount.negated() : amount;
    }

    /// What it adds to the books of the ledger, beside what it took the place of.
    List<BatchSummary.Member> members() {
        BatchSummary.Member own = new BatchSummary.Member(said, net(), gross());
        return replaced == null
                ? List.of(own)
                : List.of(
                        own,
                        new BatchSummary.Member(
                                replaced.said(),
                                replaced.net().negated(),
                                replaced.gross().negated()));
    }

    /// What it changes there: of what was changed in its place, the difference.
    Money change(Function<Crossed, Money> of) {
        return replaced == null ? of.apply(this) : of.apply(this).minus(of.apply(replaced));
    }
}
