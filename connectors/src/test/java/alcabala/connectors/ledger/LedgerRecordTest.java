package alcabala.connectors.ledger;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import alcabala.accounting.field.Half;
import alcabala.accounting.posting.StandardFields.Standing;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/// What a ledger makes of a document, as its source is told of it.
class LedgerRecordTest {
    private static final LocalDate DAY = LocalDate.of(2026, 11, 30);

    private static LedgerRecord record(String gross, String paid, Boolean taken, String payLink) {
        return record(gross, paid, taken, payLink, null);
    }

    private static LedgerRecord record(String gross, String paid, Boolean taken, String payLink, String currency) {
        return record(gross, paid, taken, payLink, currency, Map.of(), null);
    }

    private static LedgerRecord record(
            String gross,
            String paid,
            Boolean taken,
            String payLink,
            String currency,
            Map<String, String> fields,
            String note) {
        return new LedgerRecord(
                "IN-1",
                1,
                "4711",
                "invoice",
                "IC-1",
                DAY,
                DAY,
                false,
                null,
                new BigDecimal(gross),
                BigDecimal.ZERO,
                new BigDecimal(gross),
                new BigDecimal(paid),
                null,
                null,
                List.of(),
                List.of(),
                null,
                fields,
                null,
                taken,
                payLink,
                currency,
                note);
    }

    @ParameterizedTest(name = "{1} of {0} paid, voided {2}: {3}")
    @CsvSource({
        "100.00, 0.00, false, OPEN",
        "100.00, 0.01, false, PART_PAID",
        "100.00, 99.99, false, PART_PAID",
        "100.00, 100.00, false, PAID",
        "0.00, 0.00, false, OPEN",
        "100.00, 0.00, true, VOIDED"
    })
    void itStandsAsItIsPaid(String gross, String paid, boolean voided, Standing standing) {
        assertThat(record(gross, paid, voided ? true : null, null).standing()).isEqualTo(standing);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "javascript:alert(1)",
                "ftp://books.example/pay",
                "/pay/4711",
                "https:///pay",
                "https://somebody@books.example/pay",
                "https://books.example/pay 4711",
                "pay"
            })
    void whatLeadsNowhereOneCanPayIsNoLink(String link) {
        assertThat(record("1.00", "0.00", null, link).payLink()).isNull();
    }

    @Test
    void aLinkIsAnAddressOfTheWebOfAtMostTwoThousandLetters() {
        String start = "https://books.example/";
        String longest = start + "p".repeat(2000 - start.length());
        assertThat(record("1.00", "0.00", null, longest).payLink()).isEqualTo(longest);
        assertThat(record("1.00", "0.00", null, longest + "p").payLink()).isNull();
        assertThat(record("1.00", "0.00", null, "HTTP://127.0.0.1:8490/pay").payLink())
                .isNotNull();
    }

    @Test
    void aFieldWithoutAValueSaysNothing() {
        Map<String, String> fields = new HashMap<>(Map.of("HULL", "CB-1", "PO", ""));
        fields.put("PIER", null);
        LedgerRecord record =
                record("1.00", "0.00", null, null, null, fields, null).complete();
        assertThat(record.own()).isEqualTo(Map.of("HULL", "CB-1"));
        assertThat(record.half().values())
                .containsEntry(Half.own("HULL"), "CB-1")
                .doesNotContainKey(Half.own("PIER"));
    }

    @ParameterizedTest(name = "{0} letters: {1}")
    @CsvSource({"0, true", "20000, true", "20001, false"})
    void aNoteHasAtMostTwentyThousandLetters(int letters, boolean fits) {
        LedgerRecord record = record("1.00", "0.00", null, null, null, Map.of(), "n".repeat(letters));
        assertThat(catchThrowable(record::complete) == null).isEqualTo(fits);
    }

    @Test
    void aNoteOfWhatIsNoTextIsRefused() {
        LedgerRecord record = record("1.00", "0.00", null, null, null, Map.of(), "n\u0000");
        assertThat(catchThrowable(record::complete)).isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"EUR, true", "'', true", ", true", "XXX, false", "euro, false"})
    void itsAmountsAreInACurrencyOrInThatOfTheLedger(String currency, boolean counts) {
        assertThat(catchThrowable(() ->
                                record("1.00", "0.00", null, null, currency).complete())
                        == null)
                .isEqualTo(counts);
    }
}
