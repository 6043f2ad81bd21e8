package alcabala.accounting.sync;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.field.Half;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/// Fields of a business's own take part by what they are on the ledger, and only those that go there.
class CrossedTest {
    private static final Half SOURCE =
            half(Map.of("hull-no", "CB-1", "berth", "N", ".site", "Pier 4"), "What was done");

    private static Half half(Map<String, String> own, String note) {
        Half.Builder half = Half.builder().text(Half.NUMBER, "HW-1").text(Half.DUE_DATE, "2026-12-01");
        own.forEach((code, value) -> half.text(Half.own(code), value));
        return half.text(Half.NOTE, note)
                .line(1, "4010", "S23", BigDecimal.ONE, null, "Hull wash")
                .build();
    }

    private static CrosswalkRow led(String from, String into) {
        return Samples.row(RowKind.FIELD, from, Meaning.of(RowKind.FIELD, into, ""));
    }

    private static CrosswalkRow comes(String from, String into) {
        Meaning meaning = Meaning.of(RowKind.FIELD, into, "").with(Purpose.DIRECTION, "to-source");
        return Samples.row(RowKind.FIELD, from, meaning);
    }

    @Test
    void whatIsLedThereIsCalledWhatItIsThere() {
        Crossed crossed = Crossed.of(List.of(led("hull-no", "HULL"), led(".site", "PIER"), comes("berth", "BERTH")));
        assertThat(crossed.source(SOURCE, true))
                .isEqualTo(half(Map.of("HULL", "CB-1", "PIER", "Pier 4"), "What was done"));
        assertThat(crossed.source(SOURCE, false))
                .as("no notes go")
                .isEqualTo(half(Map.of("HULL", "CB-1", "PIER", "Pier 4"), ""));
        assertThat(crossed.ledger(half(Map.of("HULL", "CB-2", "BERTH", "S", "OWN", "x"), "n")))
                .isEqualTo(half(Map.of("HULL", "CB-2"), "n"));
    }

    @Test
    void aFieldThatIsLedIntoTheNoteOrTheDueDateStandsThere() {
        Crossed crossed = Crossed.of(List.of(led("hull-no", ".note"), led("survey", ".due-date")));
        Half goes = crossed.source(SOURCE, true);
        assertThat(goes.values()).containsEntry(Half.NOTE, "CB-1").containsEntry(Half.DUE_DATE, "2026-12-01");
        Half surveyed = half(Map.of("survey", "2027-01-02"), "What was done");
        assertThat(crossed.source(surveyed, true).values())
                .containsEntry(Half.DUE_DATE, "2027-01-02")
                .doesNotContainKey(Half.NOTE);
    }

    @Test
    void whatIsLedNowhereIsNoDifference() {
        Crossed crossed = Crossed.of(List.of(led("hull-no", "HULL"), comes("berth", "BERTH")));
        Half was = half(Map.of("HULL", "CB-1", "BERTH", "N", "OWN", "x"), "n");
        assertThat(crossed.differsThere(was, half(Map.of("HULL", "CB-1", "BERTH", "S"), "n")))
                .isFalse();
        assertThat(crossed.differsThere(was, half(Map.of("HULL", "CB-2", "BERTH", "N", "OWN", "x"), "n")))
                .isTrue();
        assertThat(crossed.differsThere(was, half(Map.of("HULL", "CB-1"), "m"))).isTrue();
        Half before = Half.builder()
                .text(Half.NUMBER, "HW-1")
                .text(Half.DUE_DATE, "2026-12-01")
                .line(1, "4010", "S23", BigDecimal.ONE)
                .build();
        assertThat(crossed.differsThere(before, was))
                .as("kept before words were")
                .isFalse();
    }
}
