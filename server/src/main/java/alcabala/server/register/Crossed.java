package alcabala.server.register;

import alcabala.accounting.batch.BatchSummary;
import alcabala.accounting.posting.Cancellation;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.record.Record;
import java.time.Instant;
import org.joda.money.Money;

/// One record as it went in a batch.
///
/// @param outcome as the dispatch has it
/// @param there the ledger's number of it; empty as long as it has none
/// @param answeredAt null before there was an answer
/// @param said as its source stated it then
record Crossed(
        long postingId,
        long batch,
        String number,
        String party,
        String outcome,
        String there,
        Instant answeredAt,
        LedgerEntry entry,
        Record said) {
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

    BatchSummary.Member member() {
        return new BatchSummary.Member(said, net(), gross());
    }
}
