package alcabala.accounting.sync;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// When a side says that a person changed a field (synchronisation, row 11).
class LastChangesTest {
    private static final Instant NOW = Instant.parse("2026-11-30T09:00:00Z");
    private static final LastChange WHOLE = new LastChange(NOW.minusSeconds(300), "N. Cleat", false);

    @Test
    void theWholeCountsForTheOnlyFieldThatChangedAndForNoneOfTwo() {
        LastChanges told = new LastChanges(WHOLE, Map.of());
        assertThat(told.times(List.of("name"), NOW)).isEqualTo(Map.of("name", WHOLE.at()));
        assertThat(told.times(List.of("name", "phone"), NOW)).isEmpty();
        assertThat(told.of("phone")).as("shown it is all the same").contains(WHOLE);
    }

    @Test
    void whatIsToldOfAFieldIsItsOwn() {
        LastChange named = new LastChange(NOW.minusSeconds(900), "J. Quire", false);
        LastChanges told = new LastChanges(WHOLE, Map.of("name", named));
        assertThat(told.times(List.of("name", "phone"), NOW)).isEqualTo(Map.of("name", named.at()));
        assertThat(told.of("name")).contains(named);
    }

    @ParameterizedTest(name = "{0} seconds from now, our own write: {1}, counts: {2}")
    @CsvSource({"0, false, true", "60, false, true", "61, false, false", "0, true, false"})
    void ourOwnWriteAndWhatIsStillToComeHaveNoTime(int seconds, boolean own, boolean counts) {
        LastChange change = new LastChange(NOW.plusSeconds(seconds), "", own);
        for (LastChanges told :
                List.of(new LastChanges(change, Map.of()), new LastChanges(null, Map.of("name", change)))) {
            assertThat(told.times(List.of("name"), NOW).containsKey("name")).isEqualTo(counts);
            assertThat(told.of("name").isPresent()).isEqualTo(!own);
        }
    }

    @Test
    void whereNothingIsToldThereIsNoTime() {
        assertThat(LastChanges.NONE.times(List.of("name"), NOW)).isEmpty();
        assertThat(LastChanges.NONE.of("name")).isEmpty();
    }
}
