package alcabala.accounting.document;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.Changed;
import alcabala.accounting.Samples;
import alcabala.accounting.custom.FieldType;
import alcabala.accounting.custom.FieldValue;
import alcabala.accounting.money.StatedRate;
import alcabala.accounting.party.Contact;
import alcabala.accounting.party.Party;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/// The most that is taken in, and the least that is not.
class LimitsTest {
    private static final CurrencyUnit EUR = CurrencyUnit.EUR;
    private static final DocumentLine LINE = Samples.line(EUR, "chandlery", "2", "10.00", Samples.V23);
    private static final Document FINE = Samples.invoice("HW-1", LINE);
    private static final Money MOST = Money.parse("EUR 99999999999.99");
    private static final Money TOO_MUCH = Money.parse("EUR 100000000000.00");

    private static void assertFine(Document document) {
        assertThat(Limits.findExceeded(document)).isEmpty();
    }

    private static void assertBeyond(Document document, String says) {
        assertThat(Limits.findExceeded(document)).contains(says);
    }

    private static Document with(DocumentLine line) {
        return Changed.in(FINE, "lines", List.of(LINE, line));
    }

    private static Document with(Tax tax) {
        return with(Changed.in(LINE, "tax", TaxCombination.of(tax)));
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "number, 200, its number",
        "precedingNumber, 200, the number it names",
        "site, 200, its site",
        "terms, 200, its terms",
        "note, 20000, its note"
    })
    void textsOfTheDocument(String component, int most, String what) {
        assertFine(Changed.in(FINE, component, "x".repeat(most)));
        assertBeyond(
                Changed.in(FINE, component, "x".repeat(most + 1)), what + " is longer than " + most + " characters");
    }

    @Test
    void fieldsOfTheBusinessesOwn() {
        FieldValue most = new FieldValue("x".repeat(200), FieldType.TEXT, "x".repeat(2000));
        assertFine(Changed.in(FINE, "fields", Collections.nCopies(200, most)));
        assertBeyond(
                Changed.in(FINE, "fields", Collections.nCopies(201, most)), "it has more than 200 fields of its own");
        assertBeyond(
                Changed.in(FINE, "fields", List.of(new FieldValue("x".repeat(201), FieldType.TEXT, "x"))),
                "the code of a field is longer than 200 characters");
        assertBeyond(
                Changed.in(FINE, "fields", List.of(new FieldValue("f", FieldType.TEXT, "x".repeat(2001)))),
                "its field f is longer than 2000 characters");
    }

    @Test
    void contactsOfAParty() {
        Contact contact = new Contact("x".repeat(500), "", "", "");
        Party party = Changed.in(Party.named("C-1", "Pell"), "contacts", Collections.nCopies(100, contact));
        assertThat(Limits.findExceeded(party)).isEmpty();
        assertThat(Limits.findExceeded(Changed.in(party, "contacts", Collections.nCopies(101, contact))))
                .contains("party C-1 has more than 100 contacts");
        Contact longer = new Contact("", "", "x".repeat(501), "");
        assertThat(Limits.findExceeded(Changed.in(party, "contacts", List.of(longer))))
                .contains("a contact of party C-1 is longer than 500 characters");
    }

    @ParameterizedTest(name = "a rate of {0} is one: {1}")
    @CsvSource({
        "0.000000000001, true",
        "0.0000000000001, false",
        "0, false",
        "-1, false",
        "100000, true",
        "100000.01, false"
    })
    void ratesOfExchange(BigDecimal rate, boolean fine) {
        Document stated = Changed.in(FINE, "rate", new StatedRate(CurrencyUnit.USD, rate, null));
        assertThat(Limits.findExceeded(stated))
                .isEqualTo(fine ? Optional.empty() : Optional.of("its exchange rate is not between 0 and 100000"));
        assertThat(Limits.isExchangeRate(rate)).isEqualTo(fine);
    }

    @Test
    void theDayOfARateAndTheProjectOfALine() {
        StatedRate far = new StatedRate(CurrencyUnit.USD, BigDecimal.ONE, LocalDate.of(2200, 1, 1));
        assertThat(Limits.findExceeded(Changed.in(FINE, "rate", far))).isPresent();
        assertFine(with(Changed.in(LINE, "project", "x".repeat(200))));
        assertBeyond(
                with(Changed.in(LINE, "project", "x".repeat(201))),
                "the project on line 1 is longer than 200 characters");
    }

    @Test
    void whatItMustHave() {
        assertBeyond(Changed.in(FINE, "number", " "), "it has no number");
        assertBeyond(Changed.in(FINE, "issueDate", null), "it has no date");
        assertFine(Changed.in(FINE, "dueDate", null));
        assertBeyond(Changed.in(FINE, "currency", CurrencyUnit.of("XXX")), "XXX is no currency");
    }

    @ParameterizedTest
    @CsvSource({"issueDate, its date", "dueDate, the day it is due", "deliveryDate, its day of delivery"})
    void days(String component, String what) {
        assertFine(Changed.in(FINE, component, LocalDate.of(1900, 1, 1)));
        assertFine(Changed.in(FINE, component, LocalDate.of(2199, 12, 31)));
        String says = what + " is not between 1900 and 2199";
        assertBeyond(Changed.in(FINE, component, LocalDate.of(1899, 12, 31)), says);
        assertBeyond(Changed.in(FINE, component, LocalDate.of(2200, 1, 1)), says);
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "code, 200, the code of party Pell Estuary Trust",
        "name, 500, the name of party C-1",
        "taxIdentifier, 200, the tax identifier of party C-1",
        "email, 500, the e-mail address of party C-1",
        "phone, 200, the phone number of party C-1",
        "terms, 200, the terms of party C-1"
    })
    void textsOfEitherParty(String component, int most, String what) {
        String says = what + " is longer than " + most + " characters";
        for (String side : List.of("seller", "buyer")) {
            assertFine(Changed.in(FINE, side, Changed.in(FINE.buyer(), component, "x".repeat(most))));
            assertBeyond(Changed.in(FINE, side, Changed.in(FINE.buyer(), component, "x".repeat(most + 1))), says);
        }
    }

    @Test
    void howManyLines() {
        assertFine(Changed.in(FINE, "lines", Collections.nCopies(10_000, LINE)));
        assertBeyond(Changed.in(FINE, "lines", Collections.nCopies(10_001, LINE)), "it has more than 10000 lines");
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "id, 200, the name of a line",
        "item, 200, the item on line 1",
        "category, 200, the category on line 1",
        "description, 20000, the text on line 1",
        "note, 20000, the note on line 1"
    })
    void textsOfALine(String component, int most, String what) {
        assertFine(with(Changed.in(LINE, component, "x".repeat(most))));
        assertBeyond(
                with(Changed.in(LINE, component, "x".repeat(most + 1))),
                what + " is longer than " + most + " characters");
    }

    @ParameterizedTest
    @CsvSource({"quantity, the quantity", "baseQuantity, the base quantity", "price, the price"})
    void numbersOfALine(String component, String what) {
        for (String fine : List.of(
                "99999999999", "-99999999999.5", "0.000000000001", "0.0000000000010", "0.50000000000000", "0")) {
            assertFine(with(Changed.in(LINE, component, new BigDecimal(fine))));
        }
        for (String beyond : List.of("100000000000", "-100000000000", "1E+400", "1E-400", "0.0000000000001")) {
            assertBeyond(
                    with(Changed.in(LINE, component, new BigDecimal(beyond))),
                    what + " on line 1 is beyond what is taken in");
        }
    }

    @ParameterizedTest
    @CsvSource({"amount, the amount", "adjustment, the allowance or charge"})
    void moneyOfALine(String component, String what) {
        assertFine(with(Changed.in(LINE, component, MOST)));
        assertBeyond(with(Changed.in(LINE, component, TOO_MUCH)), what + " on line 1 is beyond what is taken in");
    }

    @ParameterizedTest
    @ValueSource(strings = {"lines", "allowances", "charges", "net", "tax", "gross", "prepaid", "rounding", "payable"})
    void itsTotals(String component) {
        assertFine(Changed.in(FINE, "totals", Changed.in(FINE.totals(), component, MOST.negated())));
        assertBeyond(
                Changed.in(FINE, "totals", Changed.in(FINE.totals(), component, TOO_MUCH)),
                "one of its sums is beyond what is taken in");
    }

    @Test
    void whatMakesUpItsTotals() {
        Money one = Money.parse("EUR 1.00");
        for (List<Money> pair : List.of(List.of(TOO_MUCH, one), List.of(one, TOO_MUCH), List.of(MOST, MOST))) {
            Document document =
                    Changed.in(FINE, "taxes", List.of(new TaxSubtotal(Samples.V23, pair.getFirst(), pair.getLast())));
            assertThat(Limits.findExceeded(document).isPresent()).isEqualTo(pair.contains(TOO_MUCH));
        }
        assertBeyond(
                Changed.in(
                        FINE,
                        "allowancesAndCharges",
                        List.of(new AllowanceCharge(true, TOO_MUCH, "Freight", Samples.V23))),
                "one of its sums is beyond what is taken in");
    }

    @ParameterizedTest(name = "{0} %: {1}")
    @CsvSource(
            nullValues = "fine",
            value = {
                "0, fine",
                "1000, fine",
                "9.975, fine",
                "1000.01, the rate of tax V is not between 0 and 1000",
                "-0.01, the rate of tax V is not between 0 and 1000",
                "0.0000000000001, the rate of tax V is beyond what is taken in"
            })
    void rates(BigDecimal rate, String says) {
        assertThat(Limits.findExceeded(with(new Tax("V", rate, TaxCategory.S, false))))
                .isEqualTo(java.util.Optional.ofNullable(says));
        assertThat(Limits.isRate(rate)).isEqualTo(says == null);
    }

    @Test
    void codesOfTaxes() {
        assertFine(with(Tax.of("V".repeat(200), "23", TaxCategory.S)));
        assertBeyond(
                with(Tax.of("V".repeat(201), "23", TaxCategory.S)), "the code of a tax is longer than 200 characters");
    }
}
