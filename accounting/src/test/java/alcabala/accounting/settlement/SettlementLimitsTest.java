package alcabala.accounting.settlement;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.Changed;
import alcabala.accounting.document.Limits;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.RecordKind;
import java.time.LocalDate;
import java.util.Collections;
import java.util.List;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What a settlement may be at most, both sides of each limit.
class SettlementLimitsTest {
    private static final Settlement PLAIN = settlement(List.of(allocation("1.00")));

    private static Settlement settlement(List<Allocation> allocations) {
        return new Settlement(
                RecordKind.PAYMENT_IN,
                "P-1",
                Origin.SOURCE,
                LocalDate.of(2026, 11, 24),
                "Saltmere",
                "",
                Party.named("C-1", "Pell Estuary Trust"),
                Money.parse("EUR 10.00"),
                null,
                Money.parse("EUR 0.00"),
                "48",
                "",
                "",
                allocations);
    }

    private static Allocation allocation(String money, Deduction... deductions) {
        return Allocation.of(RecordKind.INVOICE, "HW-1", Money.parse("EUR " + money), List.of(deductions));
    }

    private static String said(Settlement settlement) {
        return Limits.findExceeded(settlement).orElse("");
    }

    @Test
    void aPlainOneIsWithinThem() {
        assertThat(said(PLAIN)).isEmpty();
        assertThat(List.of(
                        PLAIN.counterparty().code(),
                        PLAIN.gross().toString(),
                        PLAIN.partCount() + "",
                        PLAIN.kind().family().name()))
                .containsExactly("C-1", "EUR 10.00", "1", "SETTLEMENT");
    }

    @ParameterizedTest(name = "{0} of {1} characters: {2}")
    @CsvSource({
        "number, 200, ''",
        "number, 201, its number is longer than 200 characters",
        "site, 200, ''",
        "site, 201, its site is longer than 200 characters",
        "note, 20000, ''",
        "note, 20001, its note is longer than 20000 characters",
        "reference, 200, ''",
        "reference, 201, its reference is longer than 200 characters",
        "means, 200, ''",
        "means, 201, its means is longer than 200 characters",
        "returns, 200, ''",
        "returns, 201, the number of the payment that came back is longer than 200 characters"
    })
    void texts(String field, int length, String says) {
        assertThat(said(Changed.in(PLAIN, field, "x".repeat(length)))).isEqualTo(says);
    }

    @Test
    void whatIsMissing() {
        assertThat(said(Changed.in(PLAIN, "number", " "))).isEqualTo("it has no number");
        assertThat(said(Changed.in(PLAIN, "date", null))).isEqualTo("it has no date");
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "1900-01-01, ''",
        "1899-12-31, its date is not between 1900 and 2199",
        "2199-12-31, ''",
        "2200-01-01, its date is not between 1900 and 2199"
    })
    void dates(LocalDate date, String says) {
        assertThat(said(Changed.in(PLAIN, "date", date))).isEqualTo(says);
    }

    @ParameterizedTest(name = "{0} {1}: {2}")
    @CsvSource({
        "amount, 0.00, ''",
        "amount, -0.01, its amount is negative",
        "amount, 99999999999.99, ''",
        "amount, 100000000000.00, its amount is beyond what is taken in",
        "charges, 0.00, ''",
        "charges, -0.01, its charges is negative"
    })
    void amounts(String field, String amount, String says) {
        assertThat(said(Changed.in(PLAIN, field, Money.parse("EUR " + amount)))).isEqualTo(says);
    }

    @ParameterizedTest(name = "{0} for {1}: {2}")
    @CsvSource({
        "EUR 1.00, EUR 1.00, ''",
        "EUR 1.00, EUR 1.01, EUR 1.00 goes to HW-1 and settles EUR 1.01 of it",
        "EUR 1.00, USD 1.17, ''",
        "EUR 0.00, USD 0.00, ''",
        "EUR 1.00, USD 0.00, EUR 1.00 goes to HW-1 and settles USD 0.00 of it",
        "EUR 0.00, USD 0.01, EUR 0.00 goes to HW-1 and settles USD 0.01 of it",
        "EUR 1.00, USD -0.01, what is settled of HW-1 is negative",
        "EUR 1.00, USD 99999999999.99, ''",
        "EUR 1.00, USD 100000000000.00, what is settled of HW-1 is beyond what is taken in"
    })
    void twoCurrencies(String money, String worth, String says) {
        Allocation allocation =
                new Allocation(RecordKind.INVOICE, "HW-1", Money.parse(money), Money.parse(worth), List.of());
        assertThat(said(settlement(List.of(allocation)))).isEqualTo(says);
    }

    @ParameterizedTest(name = "{0}, {1} {2}: {3}")
    @CsvSource({
        "0.00, DISCOUNT, 0.00, ''",
        "-0.01, DISCOUNT, 0.00, what goes to HW-1 is negative",
        "1.00, DISCOUNT, -0.01, what is deducted on HW-1 is negative",
        "1.00, DIFFERENCE, -0.01, ''",
        "1.00, RETENTION, -0.01, ''",
        "1.00, DIFFERENCE, 100000000000.00, what is deducted on HW-1 is beyond what is taken in"
    })
    void allocations(String money, Deduction.Kind kind, String deducted, String says) {
        Deduction deduction = new Deduction(kind, Money.parse("EUR " + deducted));
        assertThat(said(settlement(List.of(allocation(money, deduction))))).isEqualTo(says);
    }

    @Test
    void theNumberOfADocument() {
        Allocation longest = Changed.in(allocation("1.00"), "number", "x".repeat(200));
        assertThat(said(settlement(List.of(longest)))).isEmpty();
        assertThat(said(settlement(List.of(Changed.in(longest, "number", "x".repeat(201))))))
                .isEqualTo("the number of a document is longer than 200 characters");
    }

    @Test
    void howManyDocuments() {
        assertThat(said(settlement(Collections.nCopies(Limits.LINES, allocation("0.00")))))
                .isEmpty();
        assertThat(said(settlement(Collections.nCopies(Limits.LINES + 1, allocation("0.00")))))
                .isEqualTo("it settles more than 10000 documents");
    }

    @Test
    void itsParty() {
        assertThat(said(Changed.in(PLAIN, "party", Party.named("C-1", "x".repeat(501)))))
                .isEqualTo("the name of party C-1 is longer than 500 characters");
    }
}
