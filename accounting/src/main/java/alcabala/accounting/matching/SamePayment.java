package alcabala.accounting.matching;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;

/// Whether two payments that settle the same document, one entered on either side, are one that was entered twice.
/// Never
/// certain, so that a person is asked (synchronisation, "new on one side").
public final class SamePayment {
    /// A payment by transfer is on one side on the day it was made, on the other on the day it arrived.
    static final long DAYS_APART = 5;

    private SamePayment() {}

    /// @param amount minor units of its currency
    public record Seen(String kind, String currency, long amount, LocalDate date) {}

    public static boolean isLikely(Seen one, Seen other) {
        return one.kind().equals(other.kind())
                && one.currency().equals(other.currency())
                && one.amount() == other.amount()
                && Math.abs(ChronoUnit.DAYS.between(one.date(), other.date())) <= DAYS_APART;
    }
}
