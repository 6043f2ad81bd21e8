package alcabala.accounting.batch;

import java.util.List;
import java.util.Map;
import org.joda.money.Money;

/// What a ledger's file makes of the records of a batch.
///
/// @param verdicts by record, for each whose outcome follows from the file
/// @param odd lines that say nothing of the batch, or not what they should
/// @param named how many lines name something of the batch, whatever they say of it
public record Answered(Map<Long, Verdict> verdicts, List<Odd> odd, int named) {
    /// A record of the batch, as it went into its file.
    ///
    /// @param number of the ledger's, where it is known to have accepted it before; else empty
    /// @param wentAgain whether it went again since, with another batch
    /// @param reversal our name for what takes back what stood there before; empty where nothing did
    public record Given(long id, String reference, Money gross, String number, boolean wentAgain, String reversal) {}

    /// What became of one record.
    public sealed interface Verdict {
        /// It stands there.
        ///
        /// @param gross as it stands there
        record Accepted(AnswerLine line, Money gross) implements Verdict {
            /// Whether it stands there with the amount that was given.
            public boolean isAsGiven(Money given) {
                return gross.equals(given);
            }
        }

        record Refused(AnswerLine line) implements Verdict {}

        /// The file is complete, and does not name it.
        record Missing() implements Verdict {}
    }

    /// A line that settles nothing by itself.
    public record Odd(Kind kind, AnswerLine line, String other) {
        public enum Kind {
            /// It names nothing that was in the batch.
            UNKNOWN,
            /// It is about another batch or revision; `other` is its delivery.
            OTHER_DELIVERY,
            /// Two lines say different things of one record; `other` is the line of the first.
            CONTRADICTS,
            /// The record stands there twice: its file was imported twice; `other` is the first number.
            TWICE,
            /// It was taken for not accepted, and went again with another batch: now it stands there twice, or will.
            WENT_AGAIN,
            /// The number that it names is that of something else already; `other` is what that is called here.
            NUMBER_TAKEN,
            /// Of what takes back the former one and what takes its place, one was accepted and the other was not;
            /// `other`
            /// is the number of the one that was.
            HALF,
            /// It stands there in another currency, or finer than its currency allows.
            AMOUNT,
            /// It was struck out there after it was accepted.
            STRUCK
        }
    }
}
