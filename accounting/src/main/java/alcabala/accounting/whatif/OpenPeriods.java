package alcabala.accounting.whatif;

import static java.util.Comparator.naturalOrder;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.stream.Stream;

/// In which months the books can still be written.
///
/// @param lockedThrough the last day that is locked
/// @param today no correction of this month or one before is dated later, unless all up to it is locked
public record OpenPeriods(LocalDate lockedThrough, LocalDate today) {
    public boolean isLocked(LocalDate day) {
        return !day.isAfter(lockedThrough);
    }

    /// The day on which that is put right which was booked on a day: the last of its month, or of the first
    /// month with an open day where its own is locked throughout; no later than today, as long as that is in
    /// this month.
    public LocalDate correctOn(LocalDate booked) {
        YearMonth month = YearMonth.from(booked);
        LocalDate open = lockedThrough.plusDays(1);
        YearMonth corrected = isLocked(month.atEndOfMonth()) ? YearMonth.from(open) : month;
        LocalDate end = corrected.atEndOfMonth();
        return end.isAfter(today)
                ? Stream.of(today, corrected.atDay(1), open).max(naturalOrder()).orElseThrow()
                : end;
    }
}
