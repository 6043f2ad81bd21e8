package alcabala.accounting.field;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.Samples;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Deduction;
import alcabala.accounting.settlement.Means;
import alcabala.accounting.settlement.Settlement;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
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

    private static Half.Builder worded(String words) {
        return Half.builder().line(1, "4010", "S23", BigDecimal.ONE, Map.of("DEPT", "ENG"), words);
    }

    @Test
    void aLineOfADocumentIsAlsoWhatItSays() {
        Half half = worded("  Hull  wash ").build();
        assertThat(half.values()).containsEntry(Half.line(1), "4010 S23 1 {DEPT=ENG} “Hull wash”");
        assertThat(Half.wordless(half.values().get(Half.line(1)))).isEqualTo("4010 S23 1 {DEPT=ENG}");
        assertThat(half.differing(worded("Hull wash, twice").build())).containsExactly(Half.line(1));
    }

    @Test
    void whatWasKeptBeforeWordsWereSaysNothingOfThem() {
        Half now = worded("Hull wash")
                .text(Half.NOTE, "Thank you")
                .text(Half.TERMS, "30D")
                .text(Half.own("HULL"), "CB-1")
                .build();
        Half before = worded(null).build();
        assertThat(now.like(before)).isEqualTo(before);
        assertThat(now.like(worded("").build())).as("nothing was said").isEqualTo(now);
        assertThat(Half.isOwn(Half.own("HULL"))).isTrue();
        assertThat(Half.isOwn(Half.NOTE)).isFalse();
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
        assertThat(half.values().get(Half.line(1))).isEqualTo("IT-labour V23 50 “an item of labour · labour · 1 × 50”");
    }

    @Test
    void aBankingHasItsSlipAndWhatItTakes() {
        Money ten = Money.parse("EUR 10.00");
        Banking banking = new Banking(
                RecordKind.BANKING,
                "B1000-261124",
                LocalDate.of(2026, 11, 24),
                "",
                "1000",
                "Current account",
                "004  217",
                Money.parse("EUR 7.50"),
                null,
                "",
                List.of(
                        new Banking.Receipt(RecordKind.PAYMENT_IN, "P-1", "C-1", ten),
                        new Banking.Receipt(RecordKind.REFUND, "R-1", "C-2", Money.parse("EUR 2.50"))));
        assertThat(SourceHalf.of(banking).values())
                .isEqualTo(Map.of(
                        Half.NUMBER,
                        "B1000-261124",
                        Half.ISSUE_DATE,
                        "2026-11-24",
                        Half.GROSS,
                        "7.5",
                        Half.REFERENCE,
                        "004 217",
                        Half.line(1),
                        "payment-in P-1 10",
                        Half.line(2),
                        "refund R-1 -2.5"));
        assertThat(banking.difference().isZero()).isTrue();
    }

    @Test
    void aSettlementHasItsMeansItsReferenceAndWhatItSettles() {
        Money ten = Money.parse("EUR 10.00");
        Settlement settlement = new Settlement(
                RecordKind.PAYMENT_IN,
                "P-1",
                Origin.SOURCE,
                LocalDate.of(2026, 11, 24),
                "",
                "",
                Party.named("C-1", "Pell Estuary Trust"),
                ten.multipliedBy(2),
                null,
                Money.zero(ten.getCurrencyUnit()),
                "48",
                "slip  7",
                "",
                List.of(
                        Allocation.of(
                                RecordKind.INVOICE,
                                "HW-1",
                                ten,
                                List.of(new Deduction(Deduction.Kind.DISCOUNT, Money.parse("EUR 0.50")))),
                        Allocation.of(RecordKind.INVOICE, "HW-2", ten, List.of())));
        assertThat(SourceHalf.of(settlement).values())
                .isEqualTo(Map.of(
                        Half.NUMBER,
                        "P-1",
                        Half.PARTY,
                        "C-1",
                        Half.ISSUE_DATE,
                        "2026-11-24",
                        Half.GROSS,
                        "20",
                        Half.MEANS,
                        "48",
                        Half.REFERENCE,
                        "slip 7",
                        Half.line(1),
                        "invoice HW-1 10.5",
                        Half.line(2),
                        "invoice HW-2 10"));
        assertThat(Origin.LEDGER.word()).isEqualTo("ledger");
        assertThat(Means.find("48")).map(Means::code).contains("48");
    }
}
