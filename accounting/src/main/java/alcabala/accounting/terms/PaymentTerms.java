package alcabala.accounting.terms;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.Optional;

/// When what is owed is due, and what paying early takes off. The steps are taken in the order of the components; zero,
/// or false, leaves one out.
///
/// @param days from the date of the document, 0 to 3,650
/// @param endOfMonth whether it then goes to the last day of that month
/// @param months added then, 0 to 60; from a last day to a last day
/// @param dayOfMonth to which it then goes, 0 to 31, or to the last day of a shorter month; never before the document's
/// own date
/// @param daysAfter added last, 0 to 3,650
/// @param discount in per cent, for paying within `discountDays` of the document's date; zero for none
public record PaymentTerms(
        int days,
        boolean endOfMonth,
        int months,
        int dayOfMonth,
        int daysAfter,
        BigDecimal discount,
        int discountDays) {
    public static final int MOST_DAYS = 3650;
    private static final int MOST_MONTHS = 60;
    /// Four years that begin in a leap year: every day of a month, every length of a month.
    private static final LocalDate FIRST = LocalDate.of(2024, 1, 1);

    private static final LocalDate LAST = FIRST.plusYears(4).minusDays(1);

    /// @throws IllegalArgumentException when one of them is out of its bounds
    public PaymentTerms {
        boolean within = isWithin(days, MOST_DAYS)
                && isWithin(months, MOST_MONTHS)
                && isWithin(dayOfMonth, 31)
                && isWithin(daysAfter, MOST_DAYS)
                && isWithin(discountDays, MOST_DAYS)
                && discount.signum() >= 0
                && discount.compareTo(BigDecimal.valueOf(100)) < 0;
        if (!within) {
            throw new IllegalArgumentException("terms out of their bounds");
        }
        discount = discount.signum() == 0 ? BigDecimal.ZERO : discount.stripTrailingZeros();
    }

    private static boolean isWithin(int value, int most) {
        return value >= 0 && value <= most;
    }

    /// So many days from the date of the document.
    public static PaymentTerms days(int days) {
        return new PaymentTerms(days, false, 0, 0, 0, BigDecimal.ZERO, 0);
    }

    /// The day on which a document of that date is due.
    public LocalDate due(LocalDate date) {
        LocalDate due = date.plusDays(days);
        due = endOfMonth ? due.with(TemporalAdjusters.lastDayOfMonth()) : due;
        due = due.plusMonths(months);
        due = endOfMonth ? due.with(TemporalAdjusters.lastDayOfMonth()) : due;
        if (dayOfMonth > 0) {
            due = onTheDay(due).isBefore(date) ? onTheDay(due.plusMonths(1)) : onTheDay(due);
        }
        return due.plusDays(daysAfter);
    }

    private LocalDate onTheDay(LocalDate month) {
        return month.withDayOfMonth(Math.min(dayOfMonth, month.lengthOfMonth()));
    }

    /// The first date, of those of four years, for which the two compute another due date; empty when for none. A month
    /// and thirty days differ, whatever either is called.
    public Optional<LocalDate> findDiffering(PaymentTerms other) {
        return FIRST.datesUntil(LAST.plusDays(1))
                .filter(date -> !due(date).equals(other.due(date)))
                .findFirst();
    }

    /// Whether paying early takes off the same.
    public boolean discountsLike(PaymentTerms other) {
        boolean none = discount.signum() == 0 && other.discount.signum() == 0;
        return none || (discount.equals(other.discount) && discountDays == other.discountDays);
    }

    /// Whether the two compute the same, due date and discount.
    public boolean computesLike(PaymentTerms other) {
        return discountsLike(other) && findDiffering(other).isEmpty();
    }
}
