package alcabala.accounting.batch;

import java.util.List;
import org.joda.money.Money;

/// Somebody's own list beside a batch (domain, section 6), line by line.
///
/// @param lines where they do not agree: first what differs, then what is only in the list, then what is only in the
///     batch. What they miss each other by adds up to the difference of the totals.
/// @param agreed how many documents of the batch the list has with the same amount
/// @param listed what the list adds up to; a credit note counts negative, also where it stands there without a minus
/// @param batch what the batch adds up to
public record ListComparison(List<Line> lines, int agreed, Money listed, Money batch) {
    /// Why a line does not agree.
    public enum Kind {
        AMOUNT_DIFFERS,
        LISTED_TWICE,
        ONLY_LISTED,
        ONLY_IN_BATCH
    }

    /// @param number the batch's, where it has the document
    /// @param rows of the list; none for what is only in the batch
    /// @param listed zero for what is only in the batch
    /// @param batch zero for what is only in the list, or there once more
    public record Line(Kind kind, String number, List<Integer> rows, Money listed, Money batch) {
        public Money difference() {
            return listed.minus(batch);
        }
    }

    public boolean agrees() {
        return lines.isEmpty();
    }

    public Money difference() {
        return listed.minus(batch);
    }
}
