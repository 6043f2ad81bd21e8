package alcabala.accounting.whatif;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.posting.PostingKey;
import alcabala.accounting.whatif.CorrectingJournal.Corrected;
import alcabala.accounting.whatif.CorrectingJournal.Line;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// On which day, and with which journals, what was booked wrongly is put right.
class CorrectingJournalTest {
    @ParameterizedTest
    @CsvSource({
        "2026-08-31, 2026-10-12, 2026-10-31, in the first month with an open day",
        "2026-09-30, 2026-09-30, 2026-10-31, the last day that is locked",
        "2026-09-30, 2026-09-29, 2026-09-30, the first day that is open",
        "2026-10-03, 2026-10-12, 2026-10-31, its month is still open",
        "2026-11-02, 2026-10-12, 2026-11-26, no later than today",
        "2026-11-02, 2026-11-25, 2026-11-26, only today is open",
        "2026-11-02, 2026-11-26, 2026-11-27, not even today is",
        "2026-11-02, 2026-12-31, 2027-01-01, locked ahead",
        "2026-12-05, 2026-10-12, 2026-12-01, booked ahead: in the same month",
        "2026-11-30, 2026-10-12, 2026-11-26, booked ahead within this month",
    })
    void isDatedInAnOpenPeriod(LocalDate booked, LocalDate lockedThrough, LocalDate correctedOn, String because) {
        OpenPeriods periods = new OpenPeriods(lockedThrough, LocalDate.of(2026, 11, 26));
        assertThat(periods.correctOn(booked)).as(because).isEqualTo(correctedOn);
        assertThat(periods.isLocked(periods.correctOn(booked))).isFalse();
    }

    @Test
    void oneForEachPeriodAndWhatIsLockedInTheNext() {
        OpenPeriods periods = new OpenPeriods(LocalDate.of(2026, 9, 30), LocalDate.of(2026, 11, 26));
        List<CorrectingJournal> journals = CorrectingJournal.of(
                List.of(
                        moved("2026-11-03", "4015", "4018", 22_00),
                        moved("2026-09-11", "4015", "4018", 10_50),
                        moved("2026-10-30", "4015", "4018", 7_25),
                        moved("2026-10-31", "4018", "4015", 1_00)),
                periods);
        assertThat(journals)
                .extracting(each -> each.day() + " " + each.records() + " " + each.late() + " " + each.total())
                .containsExactly("2026-10-31 3 1 1675", "2026-11-26 1 0 2200");
        assertThat(journals)
                .allSatisfy(journal -> assertThat(
                                journal.lines().stream().mapToLong(Line::amount).sum())
                        .isZero());
    }

    @Test
    void whatCancelsOutNeedsNoJournal() {
        assertThat(CorrectingJournal.of(
                        List.of(moved("2026-11-03", "4015", "4018", 5), moved("2026-11-04", "4018", "4015", 5)),
                        new OpenPeriods(LocalDate.of(2026, 9, 30), LocalDate.of(2026, 11, 26))))
                .isEmpty();
    }

    /// A journal made by hand has no tax code; dimensions it has.
    @Test
    void placesAreAccountsWithTheirDimensions() {
        Books moved = new Books(Map.of(
                new PostingKey("4015", "S23", Map.of("SITE", "SALT")), 4L,
                new PostingKey("4015", "R13", Map.of("SITE", "SALT")), 3L,
                new PostingKey("4015", "", Map.of("SITE", "QUAY")), -7L));
        List<CorrectingJournal> journals = CorrectingJournal.of(
                List.of(new Corrected(LocalDate.of(2026, 11, 3), moved)),
                new OpenPeriods(LocalDate.of(2026, 9, 30), LocalDate.of(2026, 11, 26)));
        assertThat(journals.getFirst().lines())
                .containsExactlyInAnyOrder(
                        new Line(new Place("4015", Map.of("SITE", "SALT")), 7),
                        new Line(new Place("4015", Map.of("SITE", "QUAY")), -7));
    }

    private static Corrected moved(String day, String from, String to, long amount) {
        return new Corrected(
                LocalDate.parse(day),
                new Books(Map.of(
                        new PostingKey(from, "S23", Map.of()), amount, new PostingKey(to, "S23", Map.of()), -amount)));
    }
}
