package alcabala.accounting.whatif;

import java.time.LocalDate;
import java.time.YearMonth;

/// In which months the books can still be written.
///
/// @param lockedThrough the last day that is locked
/// @param today no correction is dated later, unless everything up to it is locked
public record OpenPeriods(LocalDate lockedThrough, LocalDate today) {
    public boolean isLocked(LocalDate day) {
        return !day.isAfter(lockedThrough);
    }

    /// The day on which that is put right which was booked on a day: the last of its month that is over
    /// or has come, or
    /// of the first month with an open day where its own is locked throughout.
    public LocalDate correctOn(LocalDate booked) {
        LocalDate end = YearMonth.from(booked).atEndOfMonth();
        LocalDate open = lockedThrough.plusDays(1);
        LocalDate day = isLocked(end) ? YearMonth.from(open).atEndOfMonth() : end;
        LocalDate come = day.isAfter(today) ? today : day;
        return come.isBefore(open) ? open : come;
    }
}
