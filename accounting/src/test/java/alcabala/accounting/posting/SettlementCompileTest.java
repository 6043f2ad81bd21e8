package alcabala.accounting.posting;

import static alcabala.accounting.Samples.V23;
import static alcabala.accounting.Samples.invoice;
import static alcabala.accounting.Samples.line;
import static alcabala.accounting.Samples.row;
import static alcabala.accounting.settlement.Deduction.Kind.RETENTION;
import static org.assertj.core.api.Assertions.assertThat;
import static org.joda.money.CurrencyUnit.EUR;

import alcabala.accounting.Changed;
import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.Document;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Finding.StaysOpen.Because;
import alcabala.accounting.finding.Severity;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Deduction;
import alcabala.accounting.settlement.Settlement;
import alcabala.accounting.settlement.Target;
import alcabala.accounting.settlement.Target.Standing;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.Kept;
import alcabala.accounting.sync.LineMatch;
import alcabala.accounting.tax.TaxBreakdown;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.joda.money.Money;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Payments, refunds and what came back, with the examples of the records, section 3. Accounts: 1100 receivables, 1200
/// bank, 1210 receipts awaiting banking, 1250 processor clearing and what customers keep back, 2100 payables, 2200
/// output tax, 2300 what is kept from suppliers, 4090 what discounts take, 6200 bank charges, 6990 differences.
class SettlementCompileTest {
    private static final Party TRUST = Party.named("C-1", "Pell Estuary Trust");
    private static final Party TERN = Party.named("C-2", "Tern Marine");
    private static final LocalDate DAY = LocalDate.of(2026, 11, 24);
    private final Map<String, Target> documents = new HashMap<>();
    private final List<CrosswalkRow> rows = new ArrayList<>(Samples.rows());
    private RouteSettings settings = Samples.SETTINGS
            .with(Topic.DIRECTION, Carried.PAYMENTS, "both")
            .with(Topic.DIRECTION, Carried.PAYMENTS_OUT, "to-ledger")
            .with(Topic.RECEIVING_BANK, "1200")
            .with(Topic.PAYING_BANK, "1200");

    @BeforeEach
    void mapMeansAndRoles() {
        rows.add(row(RowKind.MEANS, "48 EUR", "", "1250"));
        rows.add(row(RowKind.MEANS, "20 EUR", "", "1210"));
        rows.add(row(AccountRole.BANK_CHARGES, "6200"));
        rows.add(row(AccountRole.PAYMENT_DIFFERENCE, "6990"));
        rows.add(row(AccountRole.BAD_DEBTS, "6100"));
        rows.add(row(AccountRole.WITHHOLDING, "1400"));
        rows.add(row(AccountRole.RETENTION_RECEIVABLE, "1250"));
        rows.add(row(AccountRole.RETENTION_PAYABLE, "2300"));
        rows.add(row(AccountRole.DISCOUNT_RECEIVED, "5100"));
        document("invoice HW-1", Standing.CROSSED, TRUST, "1230.00", "1230.00");
    }

    private void document(String name, Standing standing, Party party, String gross, String open) {
        documents.put(name, Samples.target(standing, party, eur(gross), eur(open), List.of(), "IN-7", "HW-7"));
    }

    private static Money eur(String amount) {
        return Money.parse("EUR " + amount);
    }

    private static Allocation of(String document, String money, Deduction... deductions) {
        int space = document.indexOf(' ');
        return Allocation.of(
                RecordKind.of(document.substring(0, space)),
                document.substring(space + 1),
                eur(money),
                List.of(deductions));
    }

    private static Deduction less(Deduction.Kind kind, String amount) {
        return new Deduction(kind, eur(amount));
    }

    private static Settlement settlement(RecordKind kind, String means, String amount, Allocation... allocations) {
        return new Settlement(
                kind,
                "P-1",
                Origin.SOURCE,
                DAY,
                "Saltmere",
                "",
                TRUST,
                eur(amount),
                null,
                eur("0.00"),
                means,
                "slip 7",
                "",
                List.of(allocations));
    }

    private static Settlement payment(String means, String amount, Allocation... allocations) {
        return settlement(RecordKind.PAYMENT_IN, means, amount, allocations);
    }

    private Compilation compile(Settlement settlement) {
        return Samples.compiler(rows, EUR, settings)
                .compile(
                        settlement,
                        "",
                        (kind, number, party) -> Optional.ofNullable(documents.get(kind.word() + " " + number)));
    }

    private List<String> journal(Settlement settlement) {
        Compilation compiled = compile(settlement);
        assertThat(compiled.findings()).isEmpty();
        return lines(compiled);
    }

    private static List<String> lines(Compilation compiled) {
        Journal journal = compiled.journal().orElseThrow();
        assertThat(journal.isBalanced()).isTrue();
        return journal.lines().stream()
                .map(line -> line.account() + " " + line.amount().getAmount())
                .toList();
    }

    /// Of one that is blocked: nothing of it could be sent.
    private List<Finding> findings(Settlement settlement) {
        Compilation compiled = compile(settlement);
        boolean blocked = compiled.findings().stream().anyMatch(each -> each.severity() == Severity.BLOCKS);
        assertThat(compiled.isBlocked()).isEqualTo(blocked);
        assertThat(compiled.entry().isEmpty()).isEqualTo(blocked);
        assertThat(compiled.journal().isEmpty()).isEqualTo(blocked);
        return compiled.findings();
    }

    private static LedgerSettlement entry(Compilation compiled) {
        return (LedgerSettlement) compiled.entry().orElseThrow();
    }

    @Test
    void eachMeansHasItsAccount() {
        assertThat(journal(payment("48", "500.00", of("invoice HW-1", "500.00"))))
                .containsExactly("1250 500.00", "1100 -500.00");
        assertThat(journal(payment("20", "730.00", of("invoice HW-1", "730.00"))))
                .containsExactly("1210 730.00", "1100 -730.00");
    }

    @Test
    void theEntrySaysWhatIsSettledThere() {
        LedgerSettlement entry = entry(compile(payment("48", "500.00", of("invoice HW-1", "450.00"))));
        assertThat(entry.parts())
                .containsExactly(new LedgerSettlement.Part(
                        RecordKind.INVOICE, "IN-7", "HW-7", eur("450.00"), eur("450.00"), eur("450.00"), List.of()));
        assertThat(List.of(entry.number(), entry.means(), entry.reference(), entry.account(), entry.controlAccount()))
                .containsExactly("P-1", "48", "slip 7", "1250", "1100");
        assertThat(entry.onDay(DAY.plusDays(1)).date()).isEqualTo(DAY.plusDays(1));
        assertThat(entry.date()).isEqualTo(DAY);
    }

    @Test
    void whatIsOverStaysOnReceivables() {
        document("invoice A", Standing.CROSSED, TRUST, "1200.00", "1200.00");
        document("invoice B", Standing.CROSSED, TRUST, "600.00", "600.00");
        Settlement payment = payment("58", "2000.00", of("invoice A", "1200.00"), of("invoice B", "600.00"));
        assertThat(payment.open()).isEqualTo(eur("200.00"));
        assertThat(journal(payment)).containsExactly("1200 2000.00", "1100 -2000.00");
        assertThat(journal(payment("58", "75.00"))).as("on account").containsExactly("1200 75.00", "1100 -75.00");
    }

    @Test
    void aDiscountForPayingEarlyTakesItsTaxBackWhereTheRouteSaysSo() {
        Document sold = invoice("HW-2", line(EUR, "chandlery", "1", "340.00", V23));
        documents.put(
                "invoice HW-2",
                Samples.target(
                        Standing.CROSSED, TRUST, eur("418.20"), eur("418.20"), DocumentTaxes.of(sold), "IN-8", "HW-2"));
        Settlement payment =
                payment("58", "405.65", of("invoice HW-2", "405.65", less(Deduction.Kind.DISCOUNT, "12.55")));
        assertThat(journal(payment)).containsExactly("1200 405.65", "1100 -418.20", "4090 10.20", "2200 2.35");
        assertThat(compile(payment).journal().orElseThrow().lines().getLast().taxCode())
                .isEqualTo("S23");
        settings = settings.with(Topic.DISCOUNT_TAX, "kept");
        assertThat(journal(payment)).containsExactly("1200 405.65", "1100 -418.20", "4090 12.55");
    }

    @Test
    void aDiscountOfATaxThatIsNotMappedIsAFindingAndNothingComesOffNothing() {
        Target target = documents.get("invoice HW-1");
        TaxBreakdown tax = new TaxBreakdown("VXX", new BigDecimal("23"), eur("1000.00"), eur("230.00"));
        documents.put("invoice HW-1", Changed.in(target, "taxes", List.of(tax)));
        Allocation discounted = of("invoice HW-1", "1.00", less(Deduction.Kind.DISCOUNT, "1.00"));
        assertThat(findings(payment("58", "1.00", discounted)))
                .containsExactly(new Finding.TaxUnmapped("VXX", new BigDecimal("23")));
        documents.put("invoice HW-1", Changed.in(documents.get("invoice HW-1"), "gross", eur("0.00")));
        assertThat(journal(payment("58", "1.00", discounted))).contains("4090 1.00");
    }

    @Test
    void aPartyThatMayNotBeCreatedIsAskedAbout() {
        settings = settings.with(Topic.NEW_PARTIES, "ask");
        assertThat(findings(payment("58", "10.00")))
                .containsExactly(new Finding.PartyMissing("C-1", "Pell Estuary Trust"));
    }

    @ParameterizedTest
    @CsvSource({"WITHHOLDING, 1400", "BANK_CHARGES, 6200", "BAD_DEBT, 6100"})
    void otherDeductionsGoToTheirRoles(Deduction.Kind kind, String account) {
        assertThat(journal(payment("58", "1200.00", of("invoice HW-1", "1200.00", less(kind, "30.00")))))
                .containsExactly("1200 1200.00", "1100 -1230.00", account + " 30.00");
    }

    @ParameterizedTest(name = "{0} with a limit of {1}: {2}")
    @CsvSource({
        "0.05, 5, true",
        "0.06, 5, false",
        "-0.05, 5, true",
        "-0.06, 5, false",
        "0.01, '', false",
        "0.01, 1, true"
    })
    void aFewCentsAreADifferenceUpToTheLimitOfTheRoute(String amount, String limit, boolean fits) {
        settings = settings.with(Topic.PAYMENT_DIFFERENCE, limit);
        Settlement payment =
                payment("58", "1000.00", of("invoice HW-1", "1000.00", less(Deduction.Kind.DIFFERENCE, amount)));
        if (fits) {
            assertThat(journal(payment)).last().isEqualTo("6990 " + amount);
        } else {
            assertThat(findings(payment))
                    .containsExactly(new Finding.DifferenceTooLarge(
                            "invoice HW-1", eur(amount), Money.ofMinor(EUR, limit.isEmpty() ? 0 : 5)));
        }
    }

    @Test
    void whatIsKeptBackStandsOnAnAccountOfItsOwnUntilItIsReleased() {
        document("invoice HW-1", Standing.CROSSED, TRUST, "900.00", "900.00");
        assertThat(journal(payment("58", "810.00", of("invoice HW-1", "810.00", less(RETENTION, "90.00")))))
                .containsExactly("1200 810.00", "1100 -900.00", "1250 90.00");
        keptBack("invoice HW-1", "90.00");
        assertThat(journal(payment("58", "90.00", of("invoice HW-1", "90.00", less(RETENTION, "-90.00")))))
                .as("the customer's account is not touched")
                .containsExactly("1200 90.00", "1250 -90.00");
        document("bill HL-1", Standing.CROSSED, TRUST, "900.00", "900.00");
        assertThat(journal(settlement(
                        RecordKind.PAYMENT_OUT, "58", "810.00", of("bill HL-1", "810.00", less(RETENTION, "90.00")))))
                .containsExactly("1200 -810.00", "2100 900.00", "2300 -90.00");
    }

    @ParameterizedTest(name = "{1} and {2} of {0} kept back: {3} stays an open credit")
    @CsvSource({
        "90.00, 90.00, 0.00, ",
        "90.01, 90.00, 0.00, ",
        "89.99, 90.00, 0.00, 0.01",
        "90.00, 50.00, 40.00, ",
        "90.00, 50.00, 40.01, 0.01",
        "0.00, 90.00, 0.00, 90.00",
        "-1.00, 90.00, 0.00, 90.00"
    })
    void noMoreIsReleasedThanWasKeptBack(String kept, String first, String second, String stays) {
        document("invoice HW-1", Standing.CROSSED, TRUST, "900.00", "0.00");
        keptBack("invoice HW-1", kept);
        List<Allocation> released = Stream.of(first, second)
                .filter(amount -> !amount.equals("0.00"))
                .map(amount -> of("invoice HW-1", amount, less(RETENTION, "-" + amount)))
                .toList();
        Compilation compiled = compile(payment("58", "100.00", released.toArray(Allocation[]::new)));
        assertThat(compiled.findings())
                .isEqualTo(
                        stays == null
                                ? List.of()
                                : List.of(new Finding.StaysOpen("invoice HW-1", Because.NOT_RETAINED, eur(stays))));
        Money all = eur(first).plus(eur(second)).minus(eur(stays == null ? "0.00" : stays));
        List<String> lines = new ArrayList<>(List.of("1200 100.00"));
        if (!all.isEqual(eur("100.00"))) {
            lines.add("1100 " + all.minus(eur("100.00")).getAmount());
        }
        if (all.isPositive()) {
            lines.add("1250 " + all.negated().getAmount());
        }
        assertThat(lines(compiled)).containsExactlyInAnyOrderElementsOf(lines);
    }

    @ParameterizedTest
    @CsvSource({"90.00, -90.00, true", "90.00, -90.01, false", "0.00, 0.01, true"})
    void whatTakesNothingOffItsDocumentPutsNothingOnIt(String money, String kept, boolean fits) {
        keptBack("invoice HW-1", "500.00");
        List<Finding> findings = findings(payment("58", "100.00", of("invoice HW-1", money, less(RETENTION, kept))));
        assertThat(findings).isEqualTo(fits ? List.of() : List.of(new Finding.AllocationUnfit("invoice HW-1")));
    }

    private void keptBack(String name, String amount) {
        documents.computeIfPresent(name, (same, target) -> Changed.in(target, "retained", eur(amount)));
    }

    @Test
    void aRefundGivesBackWhatACreditNoteOwes() {
        document("credit-note HW-3", Standing.CROSSED, TRUST, "123.00", "123.00");
        assertThat(journal(settlement(RecordKind.REFUND, "48", "123.00", of("credit-note HW-3", "123.00"))))
                .containsExactly("1250 -123.00", "1100 123.00");
    }

    @Test
    void aReturnedPaymentOpensItsDocumentAgainAndTheBankTakesItsCharges() {
        document("invoice HW-1", Standing.CROSSED, TRUST, "200.00", "0.00");
        Settlement returned = Changed.in(
                settlement(RecordKind.RETURNED_IN, "58", "200.00", of("invoice HW-1", "200.00")),
                "charges",
                eur("12.00"));
        assertThat(journal(returned)).containsExactly("1200 -212.00", "1100 200.00", "6200 12.00");
        Settlement lapsed = settlement(
                RecordKind.RETURNED_IN,
                "58",
                "190.00",
                of("invoice HW-1", "190.00", less(Deduction.Kind.BANK_CHARGES, "10.00")));
        assertThat(journal(lapsed)).containsExactly("1200 -190.00", "1100 200.00", "6200 -10.00");
    }

    @Test
    void suppliersArePaidOnTheOtherSide() {
        document("bill HL-1", Standing.CROSSED, TRUST, "608.85", "608.85");
        document("supplier-credit HL-2", Standing.CROSSED, TRUST, "50.00", "50.00");
        assertThat(journal(settlement(
                        RecordKind.PAYMENT_OUT,
                        "58",
                        "600.00",
                        of("bill HL-1", "600.00", less(Deduction.Kind.DISCOUNT, "8.85")))))
                .containsExactly("1200 -600.00", "2100 608.85", "5100 -8.85");
        assertThat(journal(settlement(RecordKind.SUPPLIER_REFUND, "58", "50.00", of("supplier-credit HL-2", "50.00"))))
                .containsExactly("1200 50.00", "2100 -50.00");
        Settlement back = Changed.in(
                settlement(RecordKind.RETURNED_OUT, "58", "100.00", of("bill HL-1", "100.00")), "charges", eur("3.00"));
        assertThat(journal(back)).containsExactly("1200 97.00", "2100 -100.00", "6200 3.00");
    }

    @Test
    void itWaitsForItsDocuments() {
        document("invoice HW-8", Standing.TO_CROSS, TRUST, "10.00", "10.00");
        assertThat(findings(payment(
                        "58",
                        "20.00",
                        of("invoice HW-8", "5.00"),
                        of("invoice HW-9", "5.00"),
                        of("invoice HW-1", "5.00"))))
                .containsExactly(
                        new Finding.WaitsFor(RecordKind.INVOICE, "HW-8"),
                        new Finding.WaitsFor(RecordKind.INVOICE, "HW-9"));
    }

    @ParameterizedTest
    @CsvSource({"VOIDED, VOIDED", "STAYS, NOT_ON_LEDGER"})
    void moneyForWhatNeverCrossesIsBookedAllTheSame(Standing standing, Because because) {
        document("invoice HW-8", standing, TERN, "10.00", "10.00");
        Compilation compiled = compile(payment("58", "10.00", of("invoice HW-8", "10.00")));
        assertThat(compiled.findings()).containsExactly(new Finding.StaysOpen("invoice HW-8", because, eur("10.00")));
        assertThat(lines(compiled)).containsExactly("1200 10.00", "1100 -10.00");
        assertThat(entry(compiled).parts()).isEmpty();
        assertThat(entry(compiled).party()).isEqualTo("C-1");
    }

    @ParameterizedTest(name = "{1} of {0} open: {2} settles, {3} stays open")
    @CsvSource({
        "100.00, 100.00, 100.00, ",
        "100.00, 100.01, 100.00, 0.01",
        "99.99, 100.00, 99.99, 0.01",
        "0.01, 100.00, 0.01, 99.99",
        "0.00, 100.00, , 100.00",
        "-5.00, 100.00, , 100.00"
    })
    void neverMoreThanIsOpen(String open, String paid, String settles, String stays) {
        document("invoice HW-8", Standing.CROSSED, TRUST, "500.00", open);
        Compilation compiled = compile(payment("58", "200.00", of("invoice HW-8", paid)));
        assertThat(entry(compiled).parts().stream()
                        .map(part -> part.money().getAmount().toPlainString()))
                .isEqualTo(settles == null ? List.of() : List.of(settles));
        assertThat(compiled.findings())
                .isEqualTo(
                        stays == null
                                ? List.of()
                                : List.of(
                                        new Finding.StaysOpen("invoice HW-8", Because.SETTLED_OTHERWISE, eur(stays))));
        assertThat(lines(compiled)).containsExactly("1200 200.00", "1100 -200.00");
    }

    @Test
    void twoPartsOfOnePaymentShareWhatIsOpen() {
        document("invoice HW-8", Standing.CROSSED, TRUST, "100.00", "100.00");
        Compilation compiled =
                compile(payment("58", "120.00", of("invoice HW-8", "60.00"), of("invoice HW-8", "60.00")));
        assertThat(entry(compiled).parts())
                .extracting(part -> part.money().getAmount().toPlainString())
                .containsExactly("60.00", "40.00");
    }

    @Test
    void aDiscountOfWhatIsSettledByNowIsNotTaken() {
        document("invoice HW-8", Standing.CROSSED, TRUST, "100.00", "2.00");
        Compilation compiled =
                compile(payment("58", "97.00", of("invoice HW-8", "97.00", less(Deduction.Kind.DISCOUNT, "3.00"))));
        assertThat(entry(compiled).parts()).isEmpty();
        assertThat(lines(compiled)).containsExactly("1200 97.00", "1100 -97.00");
    }

    @Test
    void somebodyElseWhoPaysIsAskedAboutOnce() {
        document("invoice HW-8", Standing.CROSSED, TERN, "100.00", "100.00");
        Settlement payment = payment("58", "100.00", of("invoice HW-8", "100.00"));
        assertThat(findings(payment))
                .containsExactly(new Finding.PayerDiffers("C-1", "Pell Estuary Trust", "C-2", "Tern Marine"));
        rows.add(row(RowKind.PAYER, "C-1 > C-2", "", ""));
        rows.add(row(RowKind.PARTY, "C-2", "L-22", ""));
        LedgerSettlement entry = entry(compile(payment));
        assertThat(List.of(entry.party(), entry.partyCounterpart())).containsExactly("C-2", "L-22");
    }

    /// What a client pays for its projects is its own; what is below it is settled by it in one.
    @Test
    void aClientPaysForItsProjects() {
        document("invoice A", Standing.CROSSED, Customers.ofProject(TRUST, "WO-1"), "100.00", "100.00");
        document("invoice B", Standing.CROSSED, Customers.ofProject(TRUST, "WO-2"), "50.00", "50.00");
        Settlement one = payment("58", "100.00", of("invoice A", "100.00"));
        Settlement both = payment("58", "150.00", of("invoice A", "100.00"), of("invoice B", "50.00"));
        settings = settings.with(Topic.CUSTOMERS, "project");
        assertThat(entry(compile(one)).party()).isEqualTo("C-1 > WO-1");
        assertThat(findings(both)).extracting(Finding::kind).containsExactly("several-parties");
        settings = settings.with(Topic.CUSTOMERS, "sub-project");
        assertThat(entry(compile(one)).party()).isEqualTo("C-1 > WO-1");
        assertThat(entry(compile(both)).party()).isEqualTo("C-1");
        document(
                "invoice C",
                Standing.CROSSED,
                Customers.ofProject(Party.named("C-2", "Tern Marine"), "WO-3"),
                "9.00",
                "9.00");
        assertThat(findings(payment("58", "109.00", of("invoice A", "100.00"), of("invoice C", "9.00"))))
                .extracting(Finding::kind)
                .containsExactly("several-parties");
    }

    @Test
    void documentsOfSeveralPartiesTakeOnePaymentEach() {
        document("invoice HW-8", Standing.CROSSED, TERN, "100.00", "100.00");
        assertThat(findings(payment("58", "20.00", of("invoice HW-1", "10.00"), of("invoice HW-8", "10.00"))))
                .containsExactly(new Finding.SeveralParties(List.of("Pell Estuary Trust", "Tern Marine")));
    }

    @Test
    void whatDoesNotFitIsAFinding() {
        assertThat(findings(payment("58", "9.99", of("invoice HW-1", "10.00"))))
                .containsExactly(new Finding.AllocatedTooMuch(eur("9.99"), eur("10.00")));
        assertThat(findings(payment("58", "10.00", of("bill HW-1", "10.00"))))
                .containsExactly(new Finding.AllocationUnfit("bill HW-1"));
        assertThat(findings(Changed.in(payment("58", "10.00"), "amount", Money.parse("SEK 10.00"))))
                .contains(new Finding.CurrencyUnavailable("SEK", "EUR"));
        settings = settings.with(Topic.CUT_OFF, Carried.PAYMENTS, "2026-11-25");
        assertThat(findings(payment("58", "10.00")))
                .containsExactly(new Finding.BeforeCutOff(DAY, LocalDate.of(2026, 11, 25)));
        settings = settings.with(Topic.CUT_OFF, Carried.PAYMENTS, "2026-11-24");
        assertThat(findings(payment("58", "10.00"))).isEmpty();
        settings = settings.with(Topic.DIRECTION, Carried.PAYMENTS, "from-ledger");
        assertThat(findings(payment("58", "10.00"))).containsExactly(new Finding.DoesNotCross(RecordKind.PAYMENT_IN));
    }

    @Test
    void aMeansWithoutAnAccountIsAFinding() {
        assertThat(findings(payment("10", "10.00"))).containsExactly(new Finding.MeansUnmapped("10", "EUR"));
        settings = settings.with(Topic.RECEIVING_BANK, "");
        assertThat(findings(payment("58", "10.00"))).containsExactly(new Finding.MeansUnmapped("58", "EUR"));
        rows.add(row(AccountRole.BANK, "1200"));
        rows.add(row(RowKind.MEANS, "58 EUR", "", ""));
        assertThat(journal(payment("58", "10.00"))).contains("1200 10.00");
        rows.add(row(RowKind.MEANS, "10 EUR", "", "4010"));
        assertThat(findings(payment("10", "10.00")))
                .containsExactly(
                        new Finding.AccountUnusable("4010", Finding.AccountUnusable.Reason.NO_MONEY, AccountRole.BANK));
    }

    @ParameterizedTest
    @CsvSource({
        "PAYMENT_IN, RECEIVING_BANK, 10.00",
        "SUPPLIER_REFUND, RECEIVING_BANK, 10.00",
        "RETURNED_IN, RECEIVING_BANK, -10.00",
        "PAYMENT_OUT, PAYING_BANK, -10.00",
        "REFUND, PAYING_BANK, -10.00",
        "RETURNED_OUT, PAYING_BANK, 10.00"
    })
    void moneyThatArrivesIsOnTheBankForReceivingAndWhatComesBackIsWhereItWas(
            RecordKind kind, Topic bank, String amount) {
        settings = settings.with(bank == Topic.PAYING_BANK ? Topic.RECEIVING_BANK : Topic.PAYING_BANK, "");
        assertThat(journal(settlement(kind, "58", "10.00"))).contains("1200 " + amount);
    }

    @Test
    void whatWasEnteredOnTheLedgerGoesBackInTheSourcesOwnCodes() {
        Settlement entered = Changed.in(
                payment("10", "40.00", of("invoice HW-9", "40.00", less(Deduction.Kind.DIFFERENCE, "0.02"))),
                "origin",
                Origin.LEDGER);
        Compilation compiled = compile(entered);
        assertThat(compiled.findings()).isEmpty();
        assertThat(compiled.journal().orElseThrow().lines())
                .as("booked there already")
                .isEmpty();
        assertThat(entry(compiled).parts())
                .containsExactly(new LedgerSettlement.Part(
                        RecordKind.INVOICE,
                        "",
                        "HW-9",
                        eur("40.00"),
                        eur("40.00"),
                        eur("40.00"),
                        List.of(LedgerSettlement.Deducted.of("", "DIFFERENCE", "", eur("0.02")))));
        assertThat(entry(compiled).partyCounterpart()).isEqualTo("C-1");
        settings = settings.with(Topic.DIRECTION, Carried.PAYMENTS, "to-ledger");
        assertThat(findings(entered)).containsExactly(new Finding.DoesNotCross(RecordKind.PAYMENT_IN));
    }

    @Test
    void aCancellationIsWhatItTakesBack() {
        Cancellation taken = new Cancellation(entry(compile(payment("48", "500.00", of("invoice HW-1", "450.00")))));
        assertThat(taken.gross()).isEqualTo(eur("-500.00"));
        assertThat(taken.net()).isEqualTo(taken.gross());
        assertThat(List.of(taken.number(), taken.party(), taken.controlAccount()))
                .containsExactly("P-1", "C-1", "1100");
        assertThat(List.of(taken.currency(), taken.tax(), taken.partyCounterpart()))
                .containsExactly(EUR, eur("0.00"), "");
        assertThat(List.of(taken.cancelled().net(), taken.cancelled().tax()))
                .containsExactly(eur("500.00"), eur("0.00"));
        assertThat(taken.kind()).isEqualTo(RecordKind.PAYMENT_IN);
        assertThat(taken.onDay(DAY.plusDays(1)).date()).isEqualTo(DAY);
    }

    private static PutTogether.Outcome together(Compilation compiled, List<String> changedThere, String... others) {
        SortedSet<String> fields = new TreeSet<>(changedThere);
        fields.addAll(List.of(others));
        SortedSet<String> none = new TreeSet<>();
        return PutTogether.of(
                compiled,
                new Kept(fields, new TreeSet<>(changedThere), none, none, true),
                new StandsAs("INK-P-9", "IC-1", DAY.minusDays(2), null, eur("400.00"), List.of(), "10", "statement 12"),
                new LineMatch.Places(new Both<>(new TreeMap<>(), new TreeMap<>())));
    }

    /// The day it was on the statement, how it was paid and what it says, whatever its source changed of its sum.
    @Test
    void aPaymentKeepsWhatWasChangedThereThatCausesNothingElse() {
        Compilation compiled = compile(payment("48", "500.00", of("invoice HW-1", "450.00")));
        PutTogether.Outcome.Goes goes = (PutTogether.Outcome.Goes)
                together(compiled, List.of("issue-date", "means", "reference"), "number", "line 1");
        LedgerSettlement kept = (LedgerSettlement) goes.entry();
        assertThat(List.of(kept.date(), kept.means(), kept.reference(), kept.number()))
                .isEqualTo(List.of(DAY.minusDays(2), "10", "statement 12", "INK-P-9"));
        assertThat(kept.gross()).as("its source's").isEqualTo(eur("500.00"));
        assertThat(kept.parts()).isEqualTo(entry(compiled).parts());
        assertThat(goes.journal()).isEqualTo(compiled.journal().orElseThrow());
        assertThat(goes.changedThere()).containsExactlyInAnyOrder("issue-date", "means", "reference");
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"gross, SUMS", "party, BOOKED", "standing, BOOKED", "line 1, LINES"})
    void whatCausesMoreIsNotPutTogether(String field, PutTogether.Why why) {
        assertThat(together(compile(payment("48", "500.00", of("invoice HW-1", "450.00"))), List.of(field)))
                .isEqualTo(new PutTogether.Outcome.Cannot(field, why));
    }

    @Test
    void whatBothChangedOfAPaymentWaitsForAPerson() {
        SortedSet<String> none = new TreeSet<>();
        assertThat(PutTogether.of(
                        compile(payment("48", "500.00", of("invoice HW-1", "450.00"))),
                        new Kept(none, none, new TreeSet<>(List.of("gross")), none, true),
                        new StandsAs("INK-P-9", "IC-1", DAY, null, eur("400.00"), List.of(), "", ""),
                        new LineMatch.Places(new Both<>(new TreeMap<>(), new TreeMap<>()))))
                .isEqualTo(new PutTogether.Outcome.Cannot("gross", PutTogether.Why.CONFLICT));
    }
}
