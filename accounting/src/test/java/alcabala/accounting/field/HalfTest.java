package alcabala.accounting.field;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.Samples;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.record.RecordKind;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;

/// What one side had, so that it can be held against what it has (synchronisation, "the merge of one field").
class HalfTest {
    private static Half.Builder some() {
        return Half.builder()
                .text(Half.NUMBER, "HW-1")
                .day(Half.DUE_DATE, LocalDate.of(2026, 12, 20))
                .number(Half.GROSS, new BigDecimal("1.50"))
                .line(1, "4010", "S23", new BigDecimal("1.220"));
    }

    @Test
    void whatIsTheSameInAnotherWritingIsTheSame() {
        Half again = Half.builder()
                .text(Half.NUMBER, "  HW-1 ")
                .day(Half.DUE_DATE, LocalDate.of(2026, 12, 20))
                .number(Half.GROSS, new BigDecimal("1.5"))
                .line(1, "4010", "S23", new BigDecimal("1.22"))
                .build();
        assertThat(some().build()).isEqualTo(again);
        assertThat(some().build().differing(again)).isEmpty();
        assertThat(Half.builder().text("note", "A \t B").build())
                .isEqualTo(Half.builder().text("note", "A B").build());
        assertThat(Half.builder()
                        .number(Half.GROSS, new BigDecimal("100"))
                        .build()
                        .values())
                .containsEntry(Half.GROSS, "100");
    }

    @Test
    void whateverDiffersIsNamedAndSoIsWhatIsNotThere() {
        Half other = Half.builder()
                .text(Half.NUMBER, "HW-1")
                .number(Half.GROSS, new BigDecimal("1.51"))
                .line(1, "4011", "S23", new BigDecimal("1.22"))
                .line(2, "4010", "", BigDecimal.ONE)
                .build();
        assertThat(some().build().differing(other))
                .containsExactly(Half.DUE_DATE, Half.GROSS, Half.line(1), Half.line(2));
        assertThat(other.differing(some().build())).isEqualTo(some().build().differing(other));
    }

    @Test
    void nothingAndBlankAreNotThere() {
        assertThat(Half.builder()
                        .text(Half.PARTY, " ")
                        .text(Half.NUMBER, null)
                        .day(Half.DUE_DATE, null)
                        .build()
                        .values())
                .isEmpty();
    }

    @Test
    void theSourcesHalfIsInItsOwnCodes() {
        var document = Samples.document(
                RecordKind.BILL,
                "KW-1",
                PriceMode.NET,
                List.of(Samples.line(CurrencyUnit.EUR, "labour", "1", "50.00", Samples.V23)),
                List.of());
        Half half = SourceHalf.of(document);
        assertThat(half.values())
                .containsEntry(Half.NUMBER, "KW-1")
                .containsEntry(Half.PARTY, document.seller().code())
                .containsEntry(Half.ISSUE_DATE, "2026-11-20")
                .containsEntry(Half.GROSS, "61.5");
        assertThat(half.values().get(Half.line(1))).endsWith(" V23 50");
    }
}
