package alcabala.accounting.sync;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PartySayingTest {
    private static final PartySaying SAYING =
            new PartySaying(Map.of("N30", "30D", "EOM", "EM", "A10", "10D", "B10", "10D"));

    @ParameterizedTest(name = "{0} {1} is {3} for the {2}")
    @CsvSource({
        "terms, N30, LEDGER, 30D",
        "terms, 30D, SOURCE, N30",
        "terms, 30D, LEDGER, ",
        "terms, N30, SOURCE, ",
        "terms, A10, LEDGER, 10D",
        "terms, 10D, SOURCE, ",
        "terms, T99, LEDGER, ",
        "name, N30, LEDGER, N30",
        "phone, 30D, SOURCE, 30D"
    })
    void termsAreSaidAsTheCrosswalkHasThem(String field, String value, Side to, String said) {
        assertThat(SAYING.said(field, value, to).orElse(null)).isEqualTo(said);
    }
}
