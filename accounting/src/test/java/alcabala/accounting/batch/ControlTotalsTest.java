package alcabala.accounting.batch;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;

class ControlTotalsTest {
    @Test
    void creditNotesCountNegativeAndTheHashTellsAnExchangedDocument() {
        ControlTotals totals = ControlTotals.of(
                CurrencyUnit.EUR, List.of(member("HW-20301", false), member("HC-7", true), member("X", false)));
        assertThat(totals.count()).isEqualTo(3);
        assertThat(totals.gross()).hasToString("EUR 12.30");
        assertThat(totals.net().plus(totals.tax())).isEqualTo(totals.gross());
        assertThat(totals.hashTotal()).hasToString("20308");
        assertThat(ControlTotals.of(CurrencyUnit.EUR, List.of()).gross().isZero())
                .isTrue();
    }

    private static ControlTotals.Member member(String number, boolean credit) {
        return new ControlTotals.Member(
                number, credit, Money.parse("EUR 10.00"), Money.parse("EUR 2.30"), Money.parse("EUR 12.30"));
    }
}
