package alcabala.accounting.batch;

import static alcabala.accounting.Samples.V23;
import static alcabala.accounting.Samples.line;
import static org.assertj.core.api.Assertions.assertThat;
import static org.joda.money.CurrencyUnit.EUR;

import alcabala.accounting.Samples;
import alcabala.accounting.batch.BatchSummary.Member;
import alcabala.accounting.batch.BatchSummary.Sum;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Settlement;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;

class BatchSummaryTest {
    private static final Document INVOICE = Samples.invoice(
            "HW-1",
            line(EUR, "chandlery", "2", "10.00", V23),
            line(EUR, "chandlery", "1", "5.00", V23),
            line(EUR, "labour", "1", "62.00", V23));
    private static final Document CREDIT = Samples.document(
            RecordKind.CREDIT_NOTE, "HC-1", PriceMode.NET, List.of(line(EUR, "labour", "1", "2.00", V23)), List.of());

    private static Member member(Document document, int sign) {
        return new Member(
                document,
                document.totals().net().multipliedBy(sign),
                document.totals().gross().multipliedBy(sign));
    }

    private static Money total(BatchSummary summary) {
        return summary.categories().stream().map(Sum::amount).reduce(summary.beside(), Money::plus);
    }

    @Test
    void categoriesAddUpToTheNetWithWhatIsGivenBackAgainstThem() {
        BatchSummary summary = BatchSummary.of(EUR, List.of(member(INVOICE, 1), member(CREDIT, -1)));
        assertThat(summary.categories())
                .containsExactly(
                        new Sum("chandlery", 2, Money.parse("EUR 25.00")),
                        new Sum("labour", 2, Money.parse("EUR 60.00")));
        assertThat(summary.beside().isZero()).isTrue();
        assertThat(summary.means()).isEmpty();
        assertThat(total(BatchSummary.of(EUR, List.of(member(INVOICE, 1), member(INVOICE, -1))))
                        .isZero())
                .as("taken back in the same batch")
                .isTrue();
    }

    @Test
    void taxInsideThePricesStandsBesideThem() {
        Document inside = Samples.document(
                RecordKind.INVOICE,
                "SL-1",
                PriceMode.TAX_INCLUSIVE,
                List.of(line(EUR, "", "1", "61.50", V23)),
                List.of());
        BatchSummary summary = BatchSummary.of(EUR, List.of(member(inside, 1)));
        assertThat(summary.categories()).containsExactly(new Sum("", 1, Money.parse("EUR 61.50")));
        assertThat(summary.beside()).hasToString("EUR -11.50");
        assertThat(total(summary)).isEqualTo(inside.totals().net());
    }

    @Test
    void paymentsAddUpByTheirMeans() {
        BatchSummary summary =
                BatchSummary.of(EUR, List.of(paid("48", "40.00", 1), paid("10", "7.00", 1), paid("48", "10.00", -1)));
        assertThat(summary.means())
                .containsExactly(new Sum("10", 1, Money.parse("EUR 7.00")), new Sum("48", 2, Money.parse("EUR 30.00")));
        assertThat(summary.categories()).isEmpty();
    }

    /// It was counted by its means when it was received.
    @Test
    void whatIsTakenToTheBankIsNotCountedAgain() {
        Money seven = Money.parse("EUR 7.00");
        Banking banking = new Banking(
                RecordKind.BANKING,
                "B1000-261128",
                LocalDate.of(2026, 11, 28),
                "",
                "1000",
                "Current account",
                "",
                seven,
                null,
                "",
                List.of(new Banking.Receipt(RecordKind.PAYMENT_IN, "P-1", "C-1", seven)));
        BatchSummary summary = BatchSummary.of(EUR, List.of(paid("10", "7.00", 1), new Member(banking, seven, seven)));
        assertThat(summary.means()).containsExactly(new Sum("10", 1, seven));
        assertThat(summary.categories()).isEmpty();
        assertThat(summary.beside().isZero()).isTrue();
        assertThat(banking.partCount()).isEqualTo(1);
        assertThat(banking.rate()).isNull();
    }

    private static Member paid(String means, String amount, int sign) {
        Money money = Money.parse("EUR " + amount);
        Settlement settlement = new Settlement(
                sign > 0 ? RecordKind.PAYMENT_IN : RecordKind.REFUND,
                "P-1",
                Origin.SOURCE,
                LocalDate.of(2026, 11, 28),
                "",
                "",
                INVOICE.buyer(),
                money,
                null,
                Money.zero(EUR),
                means,
                "",
                "",
                List.of());
        return new Member(settlement, money.multipliedBy(sign), money.multipliedBy(sign));
    }
}
