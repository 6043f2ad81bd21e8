package standins.hullwork;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import standins.hullwork.HullworkDocument.Line;

/// Worked out by hand.
class HullworkArithmeticTest {
    @Test
    void vatIsRoundedOnEveryLine() {
        HullworkDocument total = HullworkArithmetic.total(document(
                "0.00", false, line("7", "3.33", "23"), line("3", "4.45", "23"), line("1.25", "62.00", "13.5")));
        assertThat(total.lines())
                .extracting(Line::vatAmount)
                .containsExactly(new BigDecimal("5.36"), new BigDecimal("3.07"), new BigDecimal("10.46"));
        assertThat(total.net()).isEqualByComparingTo("114.16");
        assertThat(total.gross()).isEqualByComparingTo("133.05");
    }

    @Test
    void aDiscountIsTakenOffTheLinesAndNoneOfItIsLost() {
        HullworkDocument total = HullworkArithmetic.total(
                document("1.00", false, line("1", "10.00", "23"), line("1", "10.00", "23"), line("1", "10.00", "23")));
        assertThat(total.net()).isEqualByComparingTo("29.00");
        assertThat(total.vat()).as("23 % of 9.67, 9.67 and 9.66").isEqualByComparingTo("6.66");
    }

    @Test
    void inclusivePricesKeepTheirGross() {
        HullworkDocument total = HullworkArithmetic.total(document("0.00", true, line("1", "12.30", "23")));
        assertThat(total.gross()).isEqualByComparingTo("12.30");
        assertThat(total.vat()).isEqualByComparingTo("2.30");
    }

    private static Line line(String quantity, String price, String rate) {
        return new Line(
                0,
                "GOODS",
                "X",
                "x",
                "",
                "c",
                new BigDecimal(quantity),
                "C62",
                new BigDecimal(price),
                BigDecimal.ZERO,
                "V",
                new BigDecimal(rate),
                BigDecimal.ZERO,
                List.of());
    }

    private static HullworkDocument document(String discount, boolean inclusive, Line... lines) {
        LocalDate date = LocalDate.of(2026, 11, 20);
        return new HullworkDocument(
                "d",
                "n",
                "INVOICE",
                "DRAFT",
                date,
                date,
                "EUR",
                inclusive,
                "C",
                "S",
                "W",
                "",
                date,
                null,
                null,
                "",
                new BigDecimal(discount),
                List.of(lines),
                BigDecimal.ZERO,
                BigDecimal.ZERO,
                BigDecimal.ZERO);
    }
}
