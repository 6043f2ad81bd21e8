package alcabala.accounting.schedule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// In October 2026 the clocks of Dublin go back on Sunday the 25th at 2:00; in March 2027 forward on the 28th at 1:00.
class RunScheduleTest {
    private static final ZoneId DUBLIN = ZoneId.of("Europe/Dublin");
    private static final Set<DayOfWeek> ALL = EnumSet.allOf(DayOfWeek.class);

    private static RunSchedule schedule(String first, String every, String days) {
        return new RunSchedule(LocalDateTime.parse(first), Duration.parse(every), days(days), DUBLIN);
    }

    /// @param text `MON+TUE`, or `all`
    private static Set<DayOfWeek> days(String text) {
        return text.equals("all")
                ? ALL
                : Arrays.stream(DayOfWeek.values())
                        .filter(day -> text.contains(day.name().substring(0, 3)))
                        .collect(Collectors.toSet());
    }

    private static Instant at(String local) {
        return LocalDateTime.parse(local).atZone(DUBLIN).toInstant();
    }

    @ParameterizedTest(name = "{0} every {1} on {2}, after {3}: {4}")
    @CsvSource({
        "2026-11-02T18:00, P1D, all, 2026-11-01T00:00, 2026-11-02T18:00",
        "2026-11-02T18:00, P1D, all, 2026-11-02T17:59:59, 2026-11-02T18:00",
        "2026-11-02T18:00, P1D, all, 2026-11-02T18:00, 2026-11-03T18:00",
        "2026-11-02T18:00, P1D, MON+TUE+WED+THU+FRI, 2026-11-06T18:00, 2026-11-09T18:00",
        "2026-11-06T18:00, P7D, FRI, 2026-11-06T18:00, 2026-11-13T18:00",
        "2026-11-02T08:00, PT30M, all, 2026-11-02T08:10, 2026-11-02T08:30",
        "2026-11-02T08:00, PT5M, all, 2030-01-01T00:02, 2030-01-01T00:05",
        "2026-11-02T08:00, PT30M, MON, 2026-11-02T23:30, 2026-11-09T00:00",
        "2026-10-20T18:00, P1D, all, 2026-10-25T12:00, 2026-10-25T18:00",
        "2026-10-20T18:00, P28D, TUE, 2026-10-20T18:00, 2026-11-17T18:00",
        "2027-03-27T01:30, P1D, all, 2027-03-27T12:00, 2027-03-28T02:30",
        "2027-03-27T01:30, P1D, all, 2027-03-28T12:00, 2027-03-29T01:30"
    })
    void theNextIsTheFirstThatIsPlannedAfterAMoment(
            String first, String every, String days, String after, String next) {
        assertThat(schedule(first, every, days).next(at(after), List.of())).contains(at(next));
    }

    @Test
    void aShortIntervalIsAsLongAsItSaysWhenTheClocksGoBack() {
        RunSchedule hourly = schedule("2026-10-24T00:00", "PT1H", "all");
        Instant before = at("2026-10-25T00:30");
        Instant one = hourly.next(before, List.of()).orElseThrow();
        Instant two = hourly.next(one, List.of()).orElseThrow();
        Instant three = hourly.next(two, List.of()).orElseThrow();
        assertThat(Duration.between(one, two)).isEqualTo(Duration.ofHours(1));
        assertThat(three.atZone(DUBLIN).toLocalTime()).isEqualTo(LocalTime.of(2, 0));
        assertThat(two.atZone(DUBLIN).toLocalTime()).as("twice one o'clock").isEqualTo(LocalTime.of(1, 0));
    }

    @Test
    void daysThatItsIntervalNeverMeetsHaveNone() {
        assertThat(schedule("2026-11-06T18:00", "P7D", "MON").next(at("2026-11-06T18:00"), List.of()))
                .isEmpty();
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"PT4M59S, false", "PT4M, false", "PT5M, true", "PT5M30S, false", "P28D, true", "P28DT1M, false"})
    void anIntervalIsWholeMinutesWithinBounds(String every, boolean taken) {
        if (taken) {
            assertThat(schedule("2026-11-02T18:00", every, "all").every()).isEqualTo(Duration.parse(every));
        } else {
            assertThatThrownBy(() -> schedule("2026-11-02T18:00", every, "all"))
                    .isInstanceOf(IllegalArgumentException.class);
        }
        assertThatThrownBy(() -> schedule("2026-11-02T18:00", "PT1H", "")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new QuietWindow(Set.of(), LocalTime.NOON, LocalTime.NOON))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /// Hours as `SAT 22:00-06:00`, several with a comma between.
    private static List<QuietWindow> windows(String text) {
        return text.isEmpty()
                ? List.of()
                : Arrays.stream(text.split(";"))
                        .map(each -> each.strip().split("[ -]"))
                        .map(part -> new QuietWindow(days(part[0]), LocalTime.parse(part[1]), LocalTime.parse(part[2])))
                        .toList();
    }

    @ParameterizedTest(name = "planned {0}, quiet {1}: {2}")
    @CsvSource({
        "2026-11-07T22:00, '', 2026-11-07T22:00",
        "2026-11-07T22:00, SAT 22:00-06:00, 2026-11-08T06:00",
        "2026-11-07T21:59, SAT 22:00-06:00, 2026-11-07T21:59",
        "2026-11-08T05:59, SAT 22:00-06:00, 2026-11-08T06:00",
        "2026-11-08T06:00, SAT 22:00-06:00, 2026-11-08T06:00",
        "2026-11-08T22:00, SAT 22:00-06:00, 2026-11-08T22:00",
        "2026-11-07T12:00, all 12:00-13:00; all 12:30-14:00, 2026-11-07T14:00",
        "2026-11-07T12:00, all 12:00-13:00; all 13:00-13:30, 2026-11-07T13:30",
        "2026-11-07T12:00, SAT 12:00-12:00, 2026-11-08T12:00"
    })
    void whatFallsIntoAWindowTakesPlaceAtItsEnd(String planned, String quiet, String next) {
        RunSchedule daily = schedule(planned, "P1D", "all");
        assertThat(daily.next(at(planned).minusSeconds(1), windows(quiet))).contains(at(next));
    }

    @Test
    void windowsThatNeverEndLeaveNone() {
        assertThat(schedule("2026-11-07T12:00", "P1D", "all").next(at("2026-11-07T00:00"), windows("all 12:00-12:00")))
                .isEmpty();
    }

    @ParameterizedTest(name = "between {0} and {1}: {2}")
    @CsvSource({
        "2026-11-02T08:00, 2026-11-02T08:29, 0",
        "2026-11-02T08:00, 2026-11-02T08:30, 1",
        "2026-11-02T08:00, 2026-11-02T10:00, 4",
        "2026-11-02T08:00, 2026-11-30T10:00, 9"
    })
    void whatWasPlannedMeanwhileIsCounted(String after, String until, int count) {
        assertThat(schedule("2026-11-02T08:00", "PT30M", "all").plannedBetween(at(after), at(until), 9))
                .isEqualTo(count);
    }

    /// Against counting on from the first one by one.
    @Test
    void whateverTheMomentItIsTheFirstOfItsSeries() {
        Random random = new Random(20261129);
        for (int i = 0; i < 2_000; i++) {
            Duration every = random.nextBoolean()
                    ? Duration.ofMinutes(5 + random.nextInt(3_000))
                    : Duration.ofDays(1 + random.nextInt(28));
            LocalDateTime first = LocalDateTime.of(2026, 10, 1, 0, 0).plusMinutes(random.nextInt(60 * 24 * 30));
            RunSchedule schedule = new RunSchedule(first, every, ALL, DUBLIN);
            Instant after = first.atZone(DUBLIN).toInstant().plusSeconds(random.nextInt(60 * 60 * 24 * 200) - 9_999L);
            boolean ofDays = every.toMinutes() % (24 * 60) == 0;
            ZonedDateTime at = first.atZone(DUBLIN);
            for (int place = 1; !at.toInstant().isAfter(after); place++) {
                at = ofDays
                        ? first.plusDays(place * every.toDays()).atZone(DUBLIN)
                        : first.atZone(DUBLIN).plus(every.multipliedBy(place));
            }
            assertThat(schedule.next(after, List.of())).contains(at.toInstant());
        }
    }
}
