package alcabala.accounting.schedule;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/// Hours in which a side wants to be left alone: a planned run waits for their end.
///
/// @param days on which it begins
/// @param until the first moment after it; not after `from` when it ends the next day
public record QuietWindow(Set<DayOfWeek> days, LocalTime from, LocalTime until) {
    /// Windows may end where others begin; more than this in a row leave no time in a week.
    private static final int IN_A_ROW = 64;

    public QuietWindow {
        days = Set.copyOf(days);
        if (days.isEmpty()) {
            throw new IllegalArgumentException("a window on no day");
        }
    }

    /// The moment itself where no window holds it, else the end of the windows that do. Empty where they never end.
    static Optional<Instant> endOf(Instant moment, List<QuietWindow> windows, ZoneId zone) {
        Instant at = moment;
        for (int passed = 0; passed < IN_A_ROW; passed++) {
            Optional<Instant> end = latestEnd(at, windows, zone);
            if (end.isEmpty()) {
                return Optional.of(at);
            }
            at = end.get();
        }
        return Optional.empty();
    }

    private static Optional<Instant> latestEnd(Instant at, List<QuietWindow> windows, ZoneId zone) {
        return windows.stream().flatMap(window -> window.end(at, zone).stream()).max(Instant::compareTo);
    }

    /// When it ends, if it holds a moment.
    private Optional<Instant> end(Instant moment, ZoneId zone) {
        LocalDate today = moment.atZone(zone).toLocalDate();
        for (LocalDate begins : List.of(today.minusDays(1), today)) {
            ZonedDateTime end = (until.isAfter(from) ? begins : begins.plusDays(1))
                    .atTime(until)
                    .atZone(zone);
            boolean begun = !begins.atTime(from).atZone(zone).toInstant().isAfter(moment);
            if (days.contains(begins.getDayOfWeek()) && begun && end.toInstant().isAfter(moment)) {
                return Optional.of(end.toInstant());
            }
        }
        return Optional.empty();
    }
}
