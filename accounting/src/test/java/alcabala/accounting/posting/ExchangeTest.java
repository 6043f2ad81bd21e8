package alcabala.accounting.posting;

import static alcabala.accounting.Samples.V0;
import static alcabala.accounting.Samples.line;
import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.Changed;
import alcabala.accounting.DocumentBuilder;
import alcabala.accounting.LineBuilder;
import alcabala.accounting.RandomDocuments;
import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.LineKind;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.ledger.DayRates;
import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.money.ExchangeRate.Origin;
import alcabala.accounting.money.StatedRate;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.settlement.Deduction;
import alcabala.accounting.settlement.Settlement;
import alcabala.accounting.settlement.Target;
import alcabala.accounting.settlement.Target.Standing;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What is in another currency than the books (records, sections 1 and 3).
class ExchangeTest extends DollarBooks {
    @Test
    void theUnitsThatAreMissingGoToTheLargestRemainders() {
        assertThat(base(invoice("1.36505", goods("10.01"), line(USD, "labour", "1", "10.01", V0))))
                .as("13.6641505 twice is 27.33")
                .containsExactly("1100 27.33", "4010 -13.67", "4020 -13.66");
        DocumentLine advance =
                LineBuilder.like(goods("-999.99")).kind(LineKind.ADVANCE).build();
        assertThat(base(invoice("1.3650", line(USD, "labour", "1", "1000.00", V0), advance)))
                .containsExactly("1100 0.01", "4020 -1365.00", "2300 1364.99");
    }

    @Test
    void aBillIsConvertedAsASaleIs() {
        Document bill = Changed.in(
                Samples.document(
                        RecordKind.BILL,
                        "KW-1",
                        PriceMode.NET,
                        List.of(goods("10.01"), line(USD, "labour", "1", "10.01", V0)),
                        List.of()),
                "rate",
                at("1.36505"));
        assertThat(base(bill)).containsExactly("2100 -27.33", "5100 13.67", "6100 13.66");
    }

    @Test
    void theSourcesRateComesBeforeTheLedgersAndThatHoldsUntilItsNext() {
        ledger = Changed.in(
                ledger,
                "rates",
                new DayRates(Map.of(
                        USD,
                        new TreeMap<>(Map.of(
                                DAY.minusDays(3),
                                new BigDecimal("1.30"),
                                DAY,
                                new BigDecimal("1.40"),
                                DAY.plusDays(1),
                                new BigDecimal("1.50"))))));
        Document plain = Samples.invoice("HW-1", goods("10.00"));
        assertThat(rateOf(plain)).isEqualTo("1.4 LEDGER 2026-11-20");
        assertThat(rateOf(Changed.in(plain, "issueDate", DAY.minusDays(1)))).isEqualTo("1.3 LEDGER 2026-11-17");
        assertThat(rateOf(Changed.in(plain, "rate", at("1.25")))).isEqualTo("1.25 SOURCE 2026-11-20");
        StatedRate dated = new StatedRate(CAD, new BigDecimal("1.25"), DAY.minusDays(9));
        assertThat(rateOf(Changed.in(plain, "rate", dated))).isEqualTo("1.25 SOURCE 2026-11-11");
        StatedRate elsewhere = new StatedRate(CurrencyUnit.EUR, new BigDecimal("0.9"), null);
        assertThat(rateOf(Changed.in(plain, "rate", elsewhere)))
                .as("to another currency than the ledger's")
                .isEqualTo("1.4 LEDGER 2026-11-20");
        assertThat(compile(Changed.in(plain, "issueDate", DAY.minusDays(4))).findings())
                .containsExactly(new Finding.RateUnknown("USD", "CAD", DAY.minusDays(4)));
        assertThat(new Finding.RateUnknown("USD", "CAD", DAY).cause()).isEqualTo("rate-unknown:USD 2026-11-20");
    }

    private String rateOf(Document document) {
        ExchangeRate rate = compile(document).ledgerDocument().orElseThrow().rate();
        return rate.rate().toPlainString() + " " + rate.origin() + " " + rate.day();
    }

    @Test
    void aLedgerOfOneCurrencyBlocksAllOthersWithOneCause() {
        ledger = Changed.in(ledger, "multiCurrency", false);
        assertThat(compile(invoice("1.30", goods("10.00"))).findings())
                .containsExactly(new Finding.CurrencyUnavailable("USD", "CAD"));
    }

    @ParameterizedTest(name = "{2} paid at {3} of what is open at {0} and {1}")
    @CsvSource({
        "1000.00, 1365.00, 400.00, 1.3600, '1200 544.00, 1100 -546.00, 6990 2.00'",
        "600.00, 819.00, 600.00, 1.3520, '1200 811.20, 1100 -819.00, 6990 7.80'",
        "1000.00, 1365.00, 400.00, 1.3650, '1200 546.00, 1100 -546.00'",
        "1000.00, 1365.00, 400.00, 1.3700, '1200 548.00, 1100 -546.00, 6990 -2.00'"
    })
    void eachSideCarriesItsOwnAndTheRestIsADifferenceInExchange(
            String open, String baseOpen, String paid, String rate, String journal) {
        booked("HW-1", "1000.00", open, "1.3650", baseOpen);
        Settlement payment = payment(RecordKind.PAYMENT_IN, paid, rate, of("HW-1", paid));
        assertThat(String.join(", ", base(payment))).isEqualTo(journal);
        LedgerSettlement entry = (LedgerSettlement) compile(payment).entry().orElseThrow();
        assertThat(entry.exchangeAccount()).isEqualTo(journal.contains("6990") ? "6990" : "");
        assertThat(entry.rate().rate()).isEqualByComparingTo(rate);
    }

    @Test
    void whoeverPaysTheRestRelievesTheRest() {
        assertThat(relieved("33.33", "1.36575", "45.52", "11.11", 3)).containsExactly("15.17", "15.17", "15.18");
    }

    @Test
    void manySmallPaymentsNeverRelieveMoreThanThereIs() {
        assertThat(relieved("0.09", "0.65", "0.06", "0.01", 9))
                .containsExactly("0.01", "0.01", "0.01", "0.01", "0.01", "0.01", "0.00", "0.00", "0.00");
    }

    private List<String> relieved(String gross, String rate, String base, String each, int times) {
        List<String> relieved = new ArrayList<>();
        Money open = usd(gross);
        Money baseOpen = Money.parse("CAD " + base);
        for (int i = 0; i < times; i++) {
            booked(
                    "HW-1",
                    gross,
                    open.getAmount().toString(),
                    rate,
                    baseOpen.getAmount().toString());
            Settlement payment = payment(RecordKind.PAYMENT_IN, each, rate, of("HW-1", each));
            Money credit = compile(payment).journal().orElseThrow().lines().stream()
                    .filter(line -> line.account().equals("1100"))
                    .map(line -> line.base().negated())
                    .findFirst()
                    .orElseThrow();
            relieved.add(credit.getAmount().toString());
            open = open.minus(usd(each));
            baseOpen = baseOpen.minus(credit);
        }
        assertThat(baseOpen.isZero()).isTrue();
        return relieved;
    }

    /// Both of one payment for one document are counted.
    @Test
    void twoPartsOfOnePaymentForOneDocumentRelieveItTogether() {
        booked("HW-1", "33.33", "22.22", "1.36575", "30.35");
        Settlement payment =
                payment(RecordKind.PAYMENT_IN, "22.22", "1.36575", of("HW-1", "11.11"), of("HW-1", "11.11"));
        assertThat(base(payment)).containsExactly("1200 30.35", "1100 -30.35");
    }

    @Test
    void whatIsDeductedLeavesAtTheRateOfItsDocument() {
        booked("HW-1", "100.00", "100.00", "1.30", "130.00");
        Deduction discount = new Deduction(Deduction.Kind.DISCOUNT, usd("3.00"));
        assertThat(base(payment(RecordKind.PAYMENT_IN, "97.00", "1.40", of("HW-1", "97.00", discount))))
                .containsExactly("1200 135.80", "1100 -130.00", "4090 3.90", "6990 -9.70");
    }

    @Test
    void whatIsOverStaysAtItsOwnRate() {
        booked("HW-1", "100.00", "100.00", "1.30", "130.00");
        assertThat(base(payment(RecordKind.PAYMENT_IN, "150.00", "1.40", of("HW-1", "100.00"))))
                .containsExactly("1200 210.00", "1100 -200.00", "6990 -10.00");
        assertThat(base(payment(RecordKind.PAYMENT_IN, "150.00", "1.40")))
                .containsExactly("1200 210.00", "1100 -210.00");
    }

    @Test
    void whatComesBackOpensWhatItHadRelieved() {
        booked("HW-1", "100.00", "0.00", "1.30", "0.00");
        Settlement returned = Changed.in(
                Changed.in(payment(RecordKind.RETURNED_IN, "100.00", "1.45", of("HW-1", "100.00")), "returns", "P-0"),
                "charges",
                usd("2.00"));
        assertThat(base(returned)).containsExactly("1200 -147.90", "1100 130.00", "6990 15.00", "6100 2.90");
    }

    @Test
    void aDifferenceNeedsItsRole() {
        rows.removeIf(row -> row.code().equals(AccountRole.EXCHANGE_DIFFERENCE.name()));
        booked("HW-1", "100.00", "100.00", "1.30", "130.00");
        assertThat(compile(payment(RecordKind.PAYMENT_IN, "100.00", "1.40", of("HW-1", "100.00")))
                        .findings())
                .containsExactly(new Finding.RoleUnset(AccountRole.EXCHANGE_DIFFERENCE));
        assertThat(base(payment(RecordKind.PAYMENT_IN, "100.00", "1.30", of("HW-1", "100.00"))))
                .as("where there is none it does not")
                .hasSize(2);
    }

    @Test
    void aCreditNoteTakesTheRateOfItsInvoice() {
        booked("HW-1", "100.00", "100.00", "1.30", "130.00");
        Document credit = DocumentBuilder.like(Changed.in(
                        Samples.document(
                                RecordKind.CREDIT_NOTE, "HC-1", PriceMode.NET, List.of(goods("10.00")), List.of()),
                        "rate",
                        at("1.45")))
                .preceding("HW-1")
                .build();
        assertThat(base(credit)).containsExactly("1100 -13.00", "4010 13.00");
        assertThat(rateOf(credit)).isEqualTo("1.3 INVOICE 2026-11-20");
        documents.compute("HW-1", (name, target) -> Changed.in(target, "standing", Standing.TO_CROSS));
        assertThat(compile(credit).findings()).containsExactly(new Finding.WaitsFor(RecordKind.INVOICE, "HW-1"));
        for (Standing standing : List.of(Standing.VOIDED, Standing.STAYS)) {
            documents.compute("HW-1", (name, target) -> Changed.in(target, "standing", standing));
            assertThat(base(credit))
                    .as("of one that is not there its own")
                    .containsExactly("1100 -14.50", "4010 14.50");
        }
        booked("HW-1", "100.00", "100.00", "1.30", "130.00");
        documents.compute("HW-1", (name, target) -> Changed.in(target, "gross", Money.parse("CAD 100.00")));
        assertThat(base(credit)).as("of one in another currency its own").containsExactly("1100 -14.50", "4010 14.50");
        documents.clear();
        assertThat(base(credit)).as("of an unknown one its own").containsExactly("1100 -14.50", "4010 14.50");
    }

    private static Document creditNote(String number, DocumentLine... lines) {
        return DocumentBuilder.like(Changed.in(
                        Samples.document(RecordKind.CREDIT_NOTE, number, PriceMode.NET, List.of(lines), List.of()),
                        "rate",
                        at("1.45")))
                .preceding("HW-1")
                .build();
    }

    /// 33.33 at 1.36575 is 45.52, and 11.11 is 15.17 (records, section 3: the last one takes the rest).
    @ParameterizedTest(name = "{0} after {1} at {2} is {3}")
    @CsvSource({
        "11.11, 0.00, 0.00, 15.17",
        "11.11, 11.11, 15.17, 15.17",
        "11.11, 22.22, 30.34, 15.18",
        "11.10, 22.22, 30.34, 15.16",
        "11.11, 22.22, 30.36, 15.16",
        "11.10, 22.22, 30.36, 15.16",
        "11.10, 22.22, 30.37, 15.15",
        "11.12, 22.22, 30.37, 15.19",
        "33.33, 0.00, 0.00, 45.52"
    })
    void theLastCreditNoteTakesTheRest(String credit, String before, String baseBefore, String base) {
        booked("HW-1", "33.33", "0.00", "1.36575", "0.00");
        Target.Credited credited = new Target.Credited(usd(before), Money.parse("CAD " + baseBefore));
        documents.computeIfPresent("HW-1", (name, target) -> Changed.in(target, "credited", credited));
        assertThat(base(creditNote("HC-1", goods(credit)))).containsExactly("1100 -" + base, "4010 " + base);
    }

    @Test
    void theRestIsSharedOutAmongItsParts() {
        booked("HW-1", "33.33", "0.00", "1.36575", "0.00");
        Target.Credited credited = new Target.Credited(usd("22.22"), Money.parse("CAD 30.37"));
        documents.computeIfPresent("HW-1", (name, target) -> Changed.in(target, "credited", credited));
        assertThat(base(creditNote("HC-1", goods("5.55"), line(USD, "labour", "1", "5.56", V0))))
                .as("7.5799 and 7.5936 for 15.15: a cent less than their floors and remainders")
                .containsExactly("1100 -15.15", "4010 7.57", "4020 7.58");
    }

    /// As of one that was linked by hand, on a ledger that does not say at which rate it booked it.
    @Test
    void whatIsNotKnownToBeBookedAtARateIsSettledByNobody() {
        booked("HW-1", "100.00", "100.00", "1.30", "130.00");
        documents.computeIfPresent("HW-1", (name, target) -> Changed.in(target, "rate", ExchangeRate.same(USD, DAY)));
        assertThat(compile(payment(RecordKind.PAYMENT_IN, "10.00", "1.40", of("HW-1", "10.00")))
                        .findings())
                .containsExactly(new Finding.RateUnknown("USD", "CAD", DAY));
        assertThat(base(creditNote("HC-1", goods("10.00"))))
                .as("a credit note has its own")
                .containsExactly("1100 -14.50", "4010 14.50");
    }

    @Test
    void everyJournalBalancesInBothCurrencies() {
        Random random = new Random(20301);
        RandomDocuments documents = new RandomDocuments(20301);
        int converted = 0;
        for (int i = 0; i < 4000; i++) {
            Document plain = documents.next();
            BigDecimal rate = BigDecimal.valueOf(1 + random.nextInt(3_000_000), 6);
            Document document = Changed.in(plain, "rate", new StatedRate(CAD, rate, DAY));
            Compilation compiled = compile(document);
            if (compiled.journal().isPresent() && !document.currency().equals(CAD)) {
                converted++;
                Journal journal = compiled.journal().get();
                assertThat(journal.isBalanced()).as("%s at %s", document, rate).isTrue();
                Money control = journal.lines().stream()
                        .filter(line ->
                                line.account().equals("1100") || line.account().equals("2100"))
                        .map(JournalLine::base)
                        .reduce(Money.zero(CAD), Money::plus);
                ExchangeRate exchange = new ExchangeRate(document.currency(), CAD, rate, DAY, Origin.SOURCE);
                assertThat(control.abs())
                        .isEqualTo(exchange.convert(document.totals().owed()).abs());
                journal.lines()
                        .forEach(line -> assertThat(line.base()
                                        .getAmount()
                                        .subtract(exchange.exact(line.amount()))
                                        .abs())
                                .as("no part is a whole unit off")
                                .isLessThanOrEqualTo(new BigDecimal("0.01")));
            }
        }
        assertThat(converted).isGreaterThan(3000);
    }
}
