package alcabala.accounting.schedule;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/// Runs from a first date and time on, one each interval, on some days of the week (synchronisation, "Runs"). An
/// interval of whole days keeps to the clock on the wall: 18:00 stays 18:00 when the clocks change. A shorter one is as
/// long as it says, whatever the clock on the wall does.
///
/// @param first on the wall where the business is
/// @param every whole minutes, 5 minutes to 4 weeks
/// @param days on which a planned run takes place; at least one
public record RunSchedule(LocalDateTime first, Duration every, Set<DayOfWeek> days, ZoneId zone) {
    public static final Duration SHORTEST = Duration.ofMinutes(5);
    public static final Duration LONGEST = Duration.ofDays(28);
    /// A run each four weeks meets its day of the week within so many.
    private static final int LOOKED_AT = 2 * 7 * 24 * 60 / 5;

    public RunSchedule {
        days = Set.copyOf(days);
        boolean whole = every.toMinutes() * 60 == every.toSeconds() && every.getNano() == 0;
        if (!whole || every.compareTo(SHORTEST) < 0 || every.compareTo(LONGEST) > 0 || days.isEmpty()) {
            throw new IllegalArgumentException("no schedule: every " + every + " on " + days);
        }
    }

    /// The first planned run after a moment, outside all windows: one that falls into a window takes place when that
    /// ends. Empty where none ever does, since its days and its interval never meet, or windows leave no time.
    public Optional<Instant> next(Instant after, List<QuietWindow> windows) {
        return planned(after).flatMap(at -> held(at, windows));
    }

    /// When a run takes place that would at a moment: then, or when the windows end that hold it. Empty where they
    /// leave
    /// no time.
    public Optional<Instant> held(Instant at, List<QuietWindow> windows) {
        return QuietWindow.endOf(at, windows, zone);
    }

    /// The first that is planned after a moment, whatever the windows are.
    public Optional<Instant> planned(Instant after) {
        long place = Math.max(0, placeBefore(after));
        for (int looked = 0; looked < LOOKED_AT; looked++, place++) {
            ZonedDateTime at = at(place);
            if (at.toInstant().isAfter(after) && days.contains(at.getDayOfWeek())) {
                return Optional.of(at.toInstant());
            }
        }
        return Optional.empty();
    }

    /// How many are planned after one moment and until another.
    ///
    /// @param most counted no further than this
    public int plannedBetween(Instant after, Instant until, int most) {
        int count = 0;
        Optional<Instant> next = planned(after);
        while (count < most && next.isPresent() && !next.get().isAfter(until)) {
            count++;
            next = planned(next.get());
        }
        return count;
    }

    private boolean isOfDays() {
        return every.toMinutes() % Duration.ofDays(1).toMinutes() == 0;
    }

    private ZonedDateTime at(long place) {
        return isOfDays()
                ? first.plus(every.multipliedBy(place)).atZone(zone)
                : first.atZone(zone).plus(every.multipliedBy(place));
    }

    /// One that is certainly not after the moment; a clock that changes moves a plan by some hours at most.
    private long placeBefore(Instant moment) {
        Duration since = Duration.between(first.atZone(zone), moment.atZone(zone));
        return since.dividedBy(every) - 1 - Duration.ofHours(3).dividedBy(every);
    }
}
