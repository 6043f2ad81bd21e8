package alcabala.server.merge;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.connectors.ledger.LedgerRecord;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// A ledger may tell amounts that its currency does not have: they are neither compared nor sent.
class FinerTest {
    @ParameterizedTest(name = "{0} in {1}, of a document of {2}: {3}")
    @CsvSource({
        "10.01, EUR, 10.01, ''",
        "10.010, EUR, 10.01, ''",
        "10.011, EUR, 10.01, line 2",
        "10.01, EUR, 10.011, gross",
        "10, JPY, 10, ''",
        "10.5, JPY, 10, line 2"
    })
    void whatIsFinerThanItsCurrencyIsNamed(String amount, String currency, String gross, String finer) {
        LedgerRecord there = new LedgerRecord(
                "IN-1",
                1,
                "HW-1",
                "invoice",
                "IC-1",
                LocalDate.EPOCH,
                null,
                false,
                "",
                BigDecimal.TEN,
                BigDecimal.ZERO,
                new BigDecimal(gross),
                BigDecimal.ZERO,
                null,
                null,
                List.of(line("1"), line(amount)),
                List.of(),
                "",
                null,
                null,
                null,
                null,
                null,
                null);
        assertThat(Together.findFiner(there, CurrencyUnit.of(currency)).orElse(""))
                .isEqualTo(finer);
    }

    private static LedgerRecord.Line line(String amount) {
        return new LedgerRecord.Line(1, "", "4010", "", null, null, null, new BigDecimal(amount), "", null, null);
    }
}
