package alcabala.server.release;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.record.PaymentState;
import java.time.LocalDate;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Amounts of either sign, and none.
class PaymentStateTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 26);

    @ParameterizedTest(name = "{1} of {0} due {2}: {3}")
    @CsvSource({
        "1000, 0, 2026-11-26, open",
        "1000, 0, 2026-11-25, overdue",
        "1000, 1, 2026-11-26, part-paid",
        "1000, 999, 2026-11-25, overdue",
        "1000, 1000, 2026-11-25, paid",
        "1000, 1001, 2026-11-25, paid",
        "0, 0, 2026-11-25, paid",
        "-1000, 0, 2026-11-26, open",
        "-1000, 0, 2026-11-25, overdue",
        "-1000, -1, 2026-11-26, part-paid",
        "-1000, -1000, 2026-11-25, paid",
        "-1000, -1001, 2026-11-25, paid"
    })
    void followsFromWhatIsOpen(long gross, long paid, LocalDate due, String state) {
        assertThat(PaymentState.of(gross, paid, due, TODAY).word()).isEqualTo(state);
    }
}
