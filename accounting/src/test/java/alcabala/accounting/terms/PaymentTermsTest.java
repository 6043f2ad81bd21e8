package alcabala.accounting.terms;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PaymentTermsTest {
    private static final PaymentTerms MONTH = new PaymentTerms(0, false, 1, 0, 0, BigDecimal.ZERO, 0);
    private static final PaymentTerms END = new PaymentTerms(0, true, 0, 0, 0, BigDecimal.ZERO, 0);

    @ParameterizedTest(name = "{0}: {7} is due on {8}")
    @CsvSource({
        "at once, 0, false, 0, 0, 0, -, 2026-11-28, 2026-11-28",
        "14 days, 14, false, 0, 0, 0, -, 2026-11-28, 2026-12-12",
        "a month from the last of January, 0, false, 1, 0, 0, -, 2026-01-31, 2026-02-28",
        "the same in a leap year, 0, false, 1, 0, 0, -, 2024-01-31, 2024-02-29",
        "to the end of the month, 0, true, 0, 0, 0, -, 2026-11-01, 2026-11-30",
        "30 days and to the end of that month, 30, true, 0, 0, 0, -, 2026-01-30, 2026-03-31",
        "the end of the next month, 0, true, 1, 0, 0, -, 2026-02-11, 2026-03-31",
        "the 10th of the next month, 0, false, 1, 10, 0, -, 2026-11-28, 2026-12-10",
        "the 31st of a month that has 30, 0, false, 0, 31, 0, -, 2026-11-28, 2026-11-30",
        "the 10th when it is the 10th, 0, false, 0, 10, 0, -, 2026-11-10, 2026-11-10",
        "the 10th when it is past, 0, false, 0, 10, 0, -, 2026-11-11, 2026-12-10",
        "end of month and 15 days, 0, true, 0, 0, 15, -, 2026-11-02, 2026-12-15",
    })
    void isDue(
            String what,
            int days,
            boolean end,
            int months,
            int day,
            int after,
            String none,
            LocalDate of,
            LocalDate due) {
        assertThat(new PaymentTerms(days, end, months, day, after, BigDecimal.ZERO, 0).due(of))
                .as(what)
                .isEqualTo(due);
    }

    @Test
    void whatComputesTheSameIsTheSameWhateverItIsCalled() {
        PaymentTerms other = new PaymentTerms(0, false, 0, 0, 30, BigDecimal.ZERO, 0);
        assertThat(PaymentTerms.days(30).computesLike(other)).isTrue();
        assertThat(PaymentTerms.days(30).findDiffering(MONTH)).contains(LocalDate.of(2024, 1, 1));
        assertThat(PaymentTerms.days(30).computesLike(PaymentTerms.days(31))).isFalse();
    }

    /// Only on a twenty-ninth of February do the two differ.
    @Test
    void fourYearsHaveEveryDayOfAMonth() {
        PaymentTerms by28 = new PaymentTerms(0, false, 1, 28, 0, BigDecimal.ZERO, 0);
        PaymentTerms by29 = new PaymentTerms(0, false, 1, 29, 0, BigDecimal.ZERO, 0);
        assertThat(by28.findDiffering(by29)).contains(LocalDate.of(2024, 1, 1));
        assertThat(END.findDiffering(new PaymentTerms(0, false, 0, 31, 0, BigDecimal.ZERO, 0)))
                .isEmpty();
    }

    @Test
    void discountsCountAsWell() {
        PaymentTerms three = new PaymentTerms(30, false, 0, 0, 0, new BigDecimal("3.0"), 10);
        assertThat(three.computesLike(new PaymentTerms(30, false, 0, 0, 0, new BigDecimal("3"), 10)))
                .isTrue();
        assertThat(three.computesLike(new PaymentTerms(30, false, 0, 0, 0, new BigDecimal("3"), 11)))
                .isFalse();
        assertThat(three.computesLike(PaymentTerms.days(30))).isFalse();
        // Nothing off within ten days is nothing off.
        assertThat(new PaymentTerms(30, false, 0, 0, 0, BigDecimal.ZERO, 10).computesLike(PaymentTerms.days(30)))
                .isTrue();
    }

    @ParameterizedTest
    @CsvSource({
        "3650, 60, 31, 3650, 99.99, 3650, true",
        "3651, 0, 0, 0, 0, 0, false",
        "-1, 0, 0, 0, 0, 0, false",
        "0, 61, 0, 0, 0, 0, false",
        "0, 0, 32, 0, 0, 0, false",
        "0, 0, 0, 3651, 0, 0, false",
        "0, 0, 0, 0, 100, 0, false",
        "0, 0, 0, 0, -0.01, 0, false",
        "0, 0, 0, 0, 0, 3651, false",
    })
    void hasBounds(int days, int months, int day, int after, BigDecimal discount, int within, boolean taken) {
        if (taken) {
            assertThat(new PaymentTerms(days, false, months, day, after, discount, within))
                    .isNotNull();
        } else {
            assertThatThrownBy(() -> new PaymentTerms(days, false, months, day, after, discount, within))
                    .isInstanceOf(IllegalArgumentException.class);
        }
    }
}
