package alcabala.accounting.sync;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// The later of two changes of the same field, by when either record was last changed.
class LaterWinsTest {
    private static final Instant NOW = Instant.parse("2026-11-30T12:00:00Z");

    /// Seconds before now; `-` is a side that does not tell, `own` a change that was ours.
    @ParameterizedTest(name = "source {0}, ledger {1}: {2}")
    @CsvSource({
        "10, 71, SOURCE",
        "10, 70, ''",
        "71, 10, LEDGER",
        "70, 10, ''",
        "-, 10, ''",
        "10, -, ''",
        "own, 500, ''",
        "500, own, ''",
        "-60, 500, SOURCE",
        "-61, 500, ''",
        "500, -61, ''"
    })
    void thatSideStandsWhichChangedItMoreThanAMinuteLater(String source, String ledger, String stands) {
        assertThat(LaterWins.find("due-date", new Both<>(change(source), change(ledger)), NOW)
                        .map(Side::name)
                        .orElse(""))
                .isEqualTo(stands);
    }

    private static LastChange change(String before) {
        return switch (before) {
            case "-" -> null;
            case "own" -> new LastChange(NOW.minusSeconds(5), "the key", true);
            default -> new LastChange(NOW.minusSeconds(Long.parseLong(before)), "M. Ferro", false);
        };
    }

    @Test
    void aTimeOfTheWholeCountsForAFieldOnlyIfNothingElseWasChanged() {
        assertThat(LaterWins.findOnly(new Both<>(Set.of("due-date"), Set.of("due-date"))))
                .contains("due-date");
        assertThat(Optional.empty())
                .isEqualTo(LaterWins.findOnly(new Both<>(Set.of("due-date"), Set.of("party"))))
                .isEqualTo(LaterWins.findOnly(new Both<>(Set.of("due-date", "party"), Set.of("due-date"))))
                .isEqualTo(LaterWins.findOnly(new Both<>(Set.of(), Set.of("due-date"))))
                .isEqualTo(LaterWins.findOnly(new Both<>(Set.of(), Set.of())));
    }
}
