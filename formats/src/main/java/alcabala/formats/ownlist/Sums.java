package alcabala.formats.ownlist;

import java.math.BigDecimal;
import java.util.stream.Stream;

/// What rows come to so far, in each of the ways in which a list may add them up.
final class Sums {
    private BigDecimal written = BigDecimal.ZERO;
    private BigDecimal withCreditsNegative = BigDecimal.ZERO;
    private BigDecimal firstColumn = BigDecimal.ZERO;

    /// @param less whether it stands in the second column, and counts negative by that
    /// @param credit whether its document counts negative, however it is written
    void add(BigDecimal amount, boolean less, boolean credit) {
        written = written.add(amount);
        withCreditsNegative = withCreditsNegative.add(credit && amount.signum() > 0 ? amount.negate() : amount);
        firstColumn = less ? firstColumn : firstColumn.add(amount);
    }

    boolean comeTo(BigDecimal amount) {
        return Stream.of(written, withCreditsNegative, firstColumn).anyMatch(sum -> sum.compareTo(amount) == 0);
    }
}
