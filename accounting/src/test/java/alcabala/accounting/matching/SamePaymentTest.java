package alcabala.accounting.matching;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.matching.SamePayment.Seen;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;

class SamePaymentTest {
    private static final LocalDate DAY = LocalDate.of(2026, 3, 10);
    private static final Seen PAID = new Seen("payment", "EUR", 123_450, DAY);

    @Test
    void fiveDaysApartAreLikelyAndSixAreNot() {
        assertThat(SamePayment.isLikely(PAID, new Seen("payment", "EUR", 123_450, DAY.plusDays(5))))
                .isTrue();
        assertThat(SamePayment.isLikely(PAID, new Seen("payment", "EUR", 123_450, DAY.minusDays(5))))
                .isTrue();
        assertThat(SamePayment.isLikely(PAID, new Seen("payment", "EUR", 123_450, DAY.plusDays(6))))
                .isFalse();
        assertThat(SamePayment.isLikely(PAID, new Seen("payment", "EUR", 123_450, DAY.minusDays(6))))
                .isFalse();
    }

    @Test
    void aCentAnotherCurrencyOrAnotherKindMakeTwo() {
        assertThat(SamePayment.isLikely(PAID, new Seen("payment", "EUR", 123_451, DAY)))
                .isFalse();
        assertThat(SamePayment.isLikely(PAID, new Seen("payment", "USD", 123_450, DAY)))
                .isFalse();
        assertThat(SamePayment.isLikely(PAID, new Seen("refund", "EUR", 123_450, DAY)))
                .isFalse();
    }
}
