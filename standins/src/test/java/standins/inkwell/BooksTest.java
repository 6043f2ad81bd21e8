package standins.inkwell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import standins.Refusal;
import standins.inkwell.Books.Draft;
import standins.inkwell.Books.DraftLine;

/// Inkwell's own mind, on a database of its own: what it books, what it refuses, and that companies are apart.
class BooksTest {
    private static final LocalDate DAY = LocalDate.now().minusDays(3);
    private static OwnInkwell own;
    private static Posting posting;
    private static Numbers numbers;
    private static Masters masters;
    private static Items items;
    private static Requests requests;
    private static Payments payments;
    private static Voiding voiding;

    @BeforeAll
    static void start() throws SQLException {
        own = new OwnInkwell();
        posting = own.part(Posting.class);
        numbers = own.part(Numbers.class);
        masters = own.part(Masters.class);
        items = own.part(Items.class);
        requests = own.part(Requests.class);
        payments = own.part(Payments.class);
        voiding = own.part(Voiding.class);
    }

    @AfterAll
    static void stop() throws SQLException {
        own.close();
    }

    private static <T> T saltmere(ScopedValue.CallableOp<T, RuntimeException> work) {
        return Companies.in(Company.SALTMERE, work);
    }

    private static Draft invoice(String number) {
        return new Draft(
                number,
                "invoice",
                "IC-1002",
                DAY,
                DAY.plusDays(30),
                "EUR",
                false,
                "1100",
                "test:" + number,
                "",
                List.of(
                        new DraftLine(null, "4010", "Rope", BigDecimal.ONE, amount("10.00"), amount("10.00"), "S23"),
                        new DraftLine(null, "4020", "Work", BigDecimal.ONE, amount("20.00"), amount("20.00"), "R13")),
                null);
    }

    private static BigDecimal amount(String text) {
        return new BigDecimal(text);
    }

    /// The same invoice with one thing different.
    private static Draft with(Draft d, String field, String value) {
        UnaryOperator<DraftLine> line = l -> new DraftLine(
                field.equals("item") ? value : l.item(),
                field.equals("account") ? value : l.account(),
                l.text(),
                l.quantity(),
                field.equals("amount") ? amount(value) : l.unitPrice(),
                field.equals("amount") ? amount(value) : l.amount(),
                field.equals("taxCode") ? value : l.taxCode());
        List<DraftLine> lines = new ArrayList<>(d.lines());
        if (field.equals("lines")) {
            lines.clear();
        } else {
            lines.set(0, line.apply(lines.get(0)));
        }
        return new Draft(
                field.equals("number") ? value : d.number(),
                field.equals("kind") ? value : d.kind(),
                field.equals("party") ? value : d.party(),
                field.equals("date") ? LocalDate.parse(value) : d.date(),
                d.due(),
                field.equals("currency") ? value : d.currency(),
                d.pricesIncludeTax(),
                field.equals("receivable") ? value : d.controlAccount(),
                d.externalReference(),
                d.creditsNumber(),
                lines,
                d.version());
    }

    @Test
    void aDocumentIsBookedAndItsJournalBalances() {
        Books.Document document = saltmere(() -> posting.post(invoice("T-1")));
        assertThat(document.net()).isEqualByComparingTo("30.00");
        assertThat(document.tax()).as("2.30 and 2.70").isEqualByComparingTo("5.00");
        assertThat(sum(document.journal(), true)).isEqualByComparingTo(sum(document.journal(), false));
        assertThat(document.journal()).hasSize(4);
    }

    @ParameterizedTest
    @CsvSource({
        "number, '', number-missing",
        "number, HW-20388, number-taken",
        "party, IC-9999, party-unknown",
        "date, 2001-01-01, period-locked",
        "currency, CAD, currency-unknown",
        "kind, memo, kind-unknown",
        "kind, bill, account-type",
        "receivable, 4010, account-type",
        "receivable, 9999, account-unknown",
        "account, 9999, account-unknown",
        "account, 4900, account-inactive",
        "taxCode, X99, tax-code-unknown",
        "item, NOPE, item-unknown",
        "amount, 1.005, amount-invalid",
        "lines, '', lines-missing",
    })
    void everyRefusalHasItsCodeAndChangesNothing(String field, String value, String code) {
        long before = saltmere(() -> posting.counts()).documents();
        assertRefused(with(invoice("T-R-" + code), field, value), code);
        assertThat(saltmere(() -> posting.counts()).documents()).isEqualTo(before);
    }

    private static void assertRefused(Draft draft, String code) {
        assertThatThrownBy(() -> saltmere(() -> posting.post(draft)))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.code()).isEqualTo(code));
    }

    @Test
    void aStaleVersionIsRefusedAndAChangeIsBookedAnew() {
        Books.Document first = saltmere(() -> posting.post(invoice("T-2")));
        Draft changed = with(versioned(invoice("T-2"), first.version()), "amount", "100.00");
        Books.Document second = saltmere(() -> posting.change(first.id(), changed));
        assertThat(second.version()).isEqualTo(first.version() + 1);
        assertThat(second.net()).isEqualByComparingTo("120.00");
        assertThat(second.journal()).as("the former booking is gone").hasSize(4);
        assertThatThrownBy(() -> saltmere(() -> posting.change(first.id(), changed)))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.code()).isEqualTo("stale-version"));
    }

    private static Draft versioned(Draft d, int version) {
        return new Draft(
                d.number(),
                d.kind(),
                d.party(),
                d.date(),
                d.due(),
                d.currency(),
                d.pricesIncludeTax(),
                d.controlAccount(),
                d.externalReference(),
                d.creditsNumber(),
                d.lines(),
                version);
    }

    @Test
    void inkwellNumbersWhatHasNoNumberAndGoesOnFromItsHighest() {
        Draft asked = numbered("SM-", 7001);
        assertThat(saltmere(() -> posting.post(asked)).number()).isEqualTo("SM-7001");
        assertThat(saltmere(() -> posting.post(asked)).number()).isEqualTo("SM-7002");
        saltmere(() -> posting.post(invoice("SM-8000")));
        assertThat(saltmere(() -> posting.post(asked)).number()).isEqualTo("SM-8001");
        assertThat(saltmere(() -> posting.post(numbered("SM-", 9001))).number()).isEqualTo("SM-9001");
        assertThat(saltmere(() -> numbers.highest())).contains(new Books.HighestNumber("invoice", "HW-20388"));
    }

    private static Draft numbered(String prefix, long from) {
        Draft d = invoice("x");
        return new Draft(
                null,
                prefix,
                from,
                "final",
                "",
                null,
                null,
                false,
                d.kind(),
                d.party(),
                d.date(),
                d.due(),
                d.currency(),
                null,
                d.pricesIncludeTax(),
                d.controlAccount(),
                null,
                d.creditsNumber(),
                d.lines(),
                null);
    }

    @Test
    void aDraftIsBookedOnceItIsFinalAndNotPaidBefore() {
        Draft d = numbered("DR-", 1);
        Draft draft = new Draft(
                null,
                "DR-",
                1L,
                "draft",
                "Rigging renewed",
                null,
                null,
                true,
                d.kind(),
                d.party(),
                d.date(),
                d.due(),
                d.currency(),
                null,
                d.pricesIncludeTax(),
                d.controlAccount(),
                null,
                d.creditsNumber(),
                d.lines(),
                null);
        Books.Document posted = saltmere(() -> posting.post(draft));
        assertThat(posted.journal()).isEmpty();
        assertThat(posted.note()).isEqualTo("Rigging renewed");
        assertThat(posted.toBeEmailed()).isTrue();
        assertThatThrownBy(() ->
                        saltmere(() -> payments.pay(posted.id(), posted.gross(), DAY, "1000", "30", "", null, null)))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.code()).isEqualTo("draft"));
        assertThat(saltmere(() -> posting.makeFinal(posted.id())).journal()).hasSize(4);
        assertThat(saltmere(() -> posting.makeFinal(posted.id())).journal())
                .as("once")
                .hasSize(4);
    }

    @Test
    void theSameKeyDoesTheWorkOnceAndGivesTheSameAnswer() {
        var first = saltmere(() -> requests.once("key-a", () -> posting.post(invoice("T-3"))));
        var again = saltmere(() -> requests.once("key-a", () -> posting.post(invoice("T-3"))));
        assertThat(again.getBody()).isEqualTo(first.getBody());
        assertThatThrownBy(() -> saltmere(() -> requests.once("key-b", () -> posting.post(invoice("T-3")))))
                .isInstanceOf(Refusal.class);
        var afterTheRefusal = saltmere(() -> requests.once("key-b", () -> posting.post(invoice("T-4"))));
        assertThat(afterTheRefusal.getStatusCode().value())
                .as("a refusal keeps nothing")
                .isEqualTo(201);
    }

    @Test
    void aPaymentIsAtMostWhatIsOpen() {
        Books.Document document = saltmere(() -> posting.post(invoice("T-5")));
        assertThatThrownBy(() ->
                        saltmere(() -> payments.pay(document.id(), amount("35.01"), DAY, "1000", "30", "", null, null)))
                .isInstanceOf(Refusal.class);
        saltmere(() -> payments.pay(document.id(), amount("30.00"), DAY, "1000", "30", "", null, null));
        Books.Document paid = saltmere(() -> posting.get(document.id()));
        assertThat(paid.paid()).isEqualByComparingTo("30.00");
        assertThat(paid.journal()).as("the payment is a journal of its own").hasSize(4);
    }

    @ParameterizedTest(name = "{0} for {1}: {2}")
    @CsvSource({"10.00, 10.01, worth-unfit", "10.00, 0.00, worth-unfit", "0.00, 10.00, amount-invalid", "10.00, 10.00, "
    })
    void whatItIsWorthIsTheMoneyItselfInOneCurrency(String money, String worth, String code) {
        Books.Document document = saltmere(() -> posting.post(invoice("T-W" + money + worth)));
        ScopedValue.CallableOp<Books.Payment, RuntimeException> pay =
                () -> payments.pay(document.id(), amount(money), DAY, "1000", "30", "", null, amount(worth));
        if (code != null) {
            assertThat(refused(pay).code()).isEqualTo(code);
        } else {
            saltmere(pay);
        }
        assertThat(paid(document)).isEqualByComparingTo(code == null ? worth : "0.00");
    }

    private static Books.PaymentDraft payment(String kind, String amount, Books.Allocated... allocations) {
        return new Books.PaymentDraft(
                kind,
                null,
                "IC-1002",
                DAY,
                "1100",
                "1000",
                "30",
                "",
                "",
                null,
                amount(amount),
                null,
                null,
                List.of(allocations));
    }

    private static Books.Allocated to(Books.Document document, String money, Books.Deducted... deductions) {
        return new Books.Allocated(document.id(), null, null, amount(money), null, List.of(deductions));
    }

    private static Refusal refused(ScopedValue.CallableOp<?, RuntimeException> work) {
        try {
            Companies.in(Company.SALTMERE, work);
        } catch (Refusal refusal) {
            return refusal;
        }
        throw new AssertionError("it was not refused");
    }

    private static BigDecimal paid(Books.Document document) {
        return saltmere(() -> posting.get(document.id())).paid();
    }

    @Test
    void whatIsOverStaysAnOpenCreditUntilItIsApplied() {
        Books.Document first = saltmere(() -> posting.post(invoice("T-21")));
        Books.Document second = saltmere(() -> posting.post(invoice("T-22")));
        Books.Payment payment = saltmere(() -> payments.post(payment("payment-in", "50.00", to(first, "35.00"))));
        assertThat(payment.open()).isEqualByComparingTo("15.00");
        assertThat(refused(() -> payments.allocate(payment.id(), List.of(to(second, "15.01"))))
                        .code())
                .isEqualTo("allocated-too-much");
        saltmere(() -> payments.allocate(payment.id(), List.of(to(second, "15.00"))));
        assertThat(paid(second)).isEqualByComparingTo("15.00");
        assertThat(saltmere(() -> payments.get(payment.id())).open()).isEqualByComparingTo("0.00");
        saltmere(() -> payments.voidIt(payment.id(), null));
        assertThat(paid(first)).isEqualByComparingTo("0.00");
        assertThat(paid(second)).isEqualByComparingTo("0.00");
        assertThat(saltmere(() -> payments.get(payment.id())).journal()).isEmpty();
        assertThat(refused(() -> payments.voidIt(payment.id(), null)).code()).isEqualTo("payment-void");
    }

    @Test
    void aDocumentIsVoidOnItsOwnDayOrReversedOnALaterOne() {
        Books.Document own = saltmere(() -> posting.post(invoice("T-V1")));
        BigDecimal before = balance("1100");
        assertRefused("stale-version", () -> voiding.voidDocument(own.id(), own.version() - 1, null));
        assertRefused("void-too-early", () -> voiding.voidDocument(own.id(), own.version(), DAY.minusDays(1)));
        Books.Document none = saltmere(() -> voiding.voidDocument(own.id(), own.version(), DAY));
        assertThat(none.status()).isEqualTo("void");
        assertThat(none.journal()).as("as if it had never been").isEmpty();
        assertThat(balance("1100")).isEqualByComparingTo(before.subtract(own.gross()));
        assertRefused("document-void", () -> voiding.voidDocument(own.id(), null, null));
        assertRefused("document-void", () -> posting.change(own.id(), versioned(invoice("T-V1"), none.version())));
        assertRefused("document-void", () -> payments.post(payment("payment-in", "1.00", to(own, "1.00"))));

        Books.Document again = saltmere(() -> posting.post(invoice("T-V1")));
        assertThat(again.id()).as("the number is free").isNotEqualTo(own.id());
        saltmere(() -> {
            masters.lockThrough(DAY);
            return null;
        });
        assertRefused("period-locked", () -> voiding.voidDocument(again.id(), null, null));
        assertRefused("period-locked", () -> voiding.voidDocument(again.id(), null, DAY));
        Books.Document reversed = saltmere(() -> voiding.voidDocument(again.id(), null, DAY.plusDays(1)));
        assertThat(reversed.journal())
                .as("what it was and its opposite")
                .hasSize(2 * again.journal().size());
        assertThat(sum(reversed.journal(), true))
                .isEqualByComparingTo(sum(again.journal(), true).multiply(amount("2")));
        assertThat(balance("1100")).isEqualByComparingTo(before.subtract(own.gross()));
        saltmere(() -> {
            masters.lockThrough(DAY.minusYears(1));
            return null;
        });
    }

    @Test
    void whatIsSettledIsNotVoidBeforeWhatSettlesIt() {
        Books.Document document = saltmere(() -> posting.post(invoice("T-V2")));
        Books.Payment payment = saltmere(() -> payments.post(payment("payment-in", "35.00", to(document, "35.00"))));
        assertRefused("document-settled", () -> voiding.voidDocument(document.id(), null, null));
        BigDecimal bank = balance("1000");
        Books.Payment later = saltmere(() -> payments.voidIt(payment.id(), DAY.plusDays(2)));
        assertThat(later.journal()).hasSize(2 * payment.journal().size());
        assertThat(balance("1000")).isEqualByComparingTo(bank.subtract(amount("35.00")));
        assertThat(saltmere(() -> voiding.voidDocument(document.id(), null, null))
                        .status())
                .isEqualTo("void");
    }

    @Test
    void aPaymentIsReplacedByWhoeverReadItLast() {
        Books.Document first = saltmere(() -> posting.post(invoice("T-24")));
        Books.Document second = saltmere(() -> posting.post(invoice("T-25")));
        Books.Payment payment = saltmere(() -> payments.post(payment("payment-in", "35.00", to(first, "35.00"))));
        Books.PaymentDraft other = payment("payment-in", "40.00", to(second, "35.00"));
        assertThat(refused(() -> payments.replace(payment.id(), payment.version() - 1, other))
                        .code())
                .isEqualTo("stale-version");
        assertThat(refused(() -> payments.replace(payment.id(), payment.version(), payment("refund", "40.00")))
                        .code())
                .isEqualTo("kind-unfit");
        Books.PaymentDraft tooMuch = payment("payment-in", "40.00", to(second, "35.01"));
        assertThat(refused(() -> payments.replace(payment.id(), payment.version(), tooMuch))
                        .code())
                .isEqualTo("settles-too-much");
        assertThat(paid(first)).as("nothing of a refused one stays").isEqualByComparingTo("35.00");
        Books.Payment replaced = saltmere(() -> payments.replace(payment.id(), payment.version(), other));
        assertThat(replaced.id() + " " + replaced.version()).isEqualTo(payment.id() + " " + (payment.version() + 1));
        assertThat(replaced.open()).isEqualByComparingTo("5.00");
        assertThat(paid(first)).isEqualByComparingTo("0.00");
        assertThat(paid(second)).isEqualByComparingTo("35.00");
        assertThat(replaced.journal())
                .extracting(line -> line.account() + " " + line.debit().subtract(line.credit()))
                .containsExactlyInAnyOrder("1000 40.00", "1100 -40.00");
        saltmere(() -> payments.voidIt(payment.id(), null));
        assertThat(refused(() -> payments.replace(payment.id(), replaced.version() + 1, other))
                        .code())
                .isEqualTo("payment-void");
    }

    @Test
    void itRefusesWhatADocumentCannotTake() {
        Books.Document document = saltmere(() -> posting.post(invoice("T-23")));
        Books.Deducted discount = new Books.Deducted("4190", "discount", null, amount("0.01"));
        assertThat(refused(() -> payments.post(payment("payment-in", "35.00", to(document, "35.00", discount))))
                        .code())
                .isEqualTo("settles-too-much");
        assertThat(refused(() -> payments.post(payment("payment-in", "34.99", to(document, "35.00"))))
                        .code())
                .isEqualTo("allocated-too-much");
        assertThat(refused(() -> payments.post(payment("refund", "35.00", to(document, "35.00"))))
                        .code())
                .isEqualTo("kind-unfit");
        assertThat(refused(() -> payments.post(payment("returned-in", "0.01", to(document, "0.01"))))
                        .code())
                .as("nothing was paid")
                .isEqualTo("settles-too-much");
        assertThat(refused(() -> payments.post(payment("payment-in", "0.001"))).code())
                .isEqualTo("amount-invalid");
        Books.Payment settled =
                saltmere(() -> payments.post(payment("payment-in", "34.99", to(document, "34.99", discount))));
        assertThat(paid(document)).isEqualByComparingTo("35.00");
        assertThat(settled.journal())
                .extracting(line -> line.account() + " " + line.debit().subtract(line.credit()))
                .containsExactlyInAnyOrder("1000 34.99", "4190 0.01", "1100 -35.00");
    }

    @Test
    void companiesAreApart() {
        saltmere(() -> posting.post(invoice("T-6")));
        assertThat(Companies.in(Company.CHARTER, () -> posting.counts()).documents())
                .isZero();
        assertThat(Companies.in(Company.CHARTER, () -> masters.accounts())).hasSize(12);
        assertThat(saltmere(() -> masters.accounts())).hasSize(37);
        assertThat(saltmere(() -> numbers.taken(List.of("T-6", "nowhere"))))
                .containsExactly(new Books.TakenNumber("T-6", "test:T-6"));
        assertThatThrownBy(() -> Companies.get("nobody")).isInstanceOf(Refusal.class);
    }

    @Test
    void aCompanyThatRoundsPerLineTaxesEachLine() {
        DraftLine line = new DraftLine(null, "400", "Fee", BigDecimal.ONE, amount("0.33"), amount("0.33"), "B");
        List<DraftLine> three = List.of(line, line, line);
        Map<String, BigDecimal> rates = Map.of("B", new BigDecimal("23"));
        assertThat(TaxOfInkwell.compute(three, false, rates, true).tax()).isEqualByComparingTo("0.24");
        assertThat(TaxOfInkwell.compute(three, false, rates, false).tax()).isEqualByComparingTo("0.23");
        TaxOfInkwell.Result inclusive = TaxOfInkwell.compute(three, true, rates, true);
        assertThat(inclusive.net().add(inclusive.tax())).isEqualByComparingTo("0.99");
        assertThat(Companies.in(Company.TRAINING, () -> masters.company()).taxRounding())
                .isEqualTo("per-line");
    }

    @Test
    void pagesOfTheChartGoOnAfterACode() {
        List<String> codes = new ArrayList<>();
        String after = "";
        List<Books.Account> page;
        do {
            String from = after;
            page = saltmere(() -> masters.accounts(from, 7));
            page.forEach(account -> codes.add(account.code()));
            after = page.isEmpty() ? after : page.getLast().code();
        } while (page.size() == 7);
        assertThat(codes).hasSize(37).isSorted().doesNotHaveDuplicates();
    }

    @Test
    void namesAndCodesOfItemsAndPartiesAreTakenOnce() {
        Books.Party draft =
                new Books.Party(null, "New Buoys", "", "", "", null, null, "", null, null, "test:c1", true, 0);
        saltmere(() -> masters.add(draft));
        assertRefused("name-taken", () -> masters.add(draft));
        Books.Item item = item("BUOY", "Buoy", "test:i1");
        saltmere(() -> items.add(item));
        assertRefused("code-taken", () -> items.add(item));
        assertRefused("name-taken", () -> items.add(item("B2", "BUOY", "test:i2")));
        assertRefused("name-too-long", () -> items.add(item("B3", "b".repeat(32), "test:i3")));
        assertRefused("name-missing", () -> items.add(item("B4", " ", "x")));
    }

    private static Books.Item item(String code, String name, String reference) {
        return new Books.Item(code, name, "goods", "C62", "4010", null, "5010", null, "S23", reference, true, 0);
    }

    /// One whose account there is none of.
    @Test
    void everyAccountOfAnItemIsOneOfTheChart() {
        assertRefused(
                "account-unknown",
                () -> items.add(new Books.Item(
                        "B5", "Buoy chain", "kit", "C62", "4010", null, "5010", "9999", "S23", "x", true, 0)));
        assertThat(saltmere(() -> items.add(item("B6", "Buoy rope", "test:i6"))).costAccount())
                .isEqualTo("5010");
    }

    private static Draft bill(String number, String party, String kind) {
        return new Draft(
                number,
                kind,
                party,
                DAY,
                DAY.plusDays(30),
                "EUR",
                false,
                "2100",
                "test:" + party + number,
                "",
                List.of(new DraftLine(null, "5100", "Rope", BigDecimal.ONE, amount("10.00"), amount("10.00"), "S23")),
                null);
    }

    @Test
    void aBillOwesItsSupplierAndAPaymentOfItLeavesTheBank() {
        Books.Document bill = saltmere(() -> posting.post(bill("K-1", "IC-1002", "bill")));
        assertThat(bill.journal())
                .extracting(each -> each.account() + " " + each.debit() + " " + each.credit())
                .containsExactly("5100 10.00 0.00", "1400 2.30 0.00", "2100 0.00 12.30");
        BigDecimal sales = saltmere(() -> posting.counts()).gross();
        saltmere(() -> posting.post(bill("K-1", "IC-1003", "bill")));
        assertThat(saltmere(() -> posting.counts()).gross())
                .as("sums are of sales")
                .isEqualByComparingTo(sales);
        assertRefused("number-taken", () -> posting.post(bill("K-1", "IC-1002", "bill")));
        assertThat(saltmere(() -> numbers.taken(List.of("K-1"))))
                .as("no number of ours")
                .isEmpty();

        BigDecimal bank = balance("1000");
        BigDecimal owed = balance("2100").add(amount("24.60"));
        saltmere(() -> payments.pay(bill.id(), amount("12.30"), DAY, "1000", "30", "", null, null));
        assertThat(balance("1000")).isEqualByComparingTo(bank.subtract(amount("12.30")));
        saltmere(() -> posting.post(bill("K-1C", "IC-1003", "supplier-credit")));
        assertThat(balance("2100")).as("one bill is paid, one set off").isEqualByComparingTo(owed);
    }

    @ParameterizedTest(name = "{0} × {1} and {2} are not {3}")
    @CsvSource({"250, 12.00, 0, 30.00", "250, 0.12, 0.01, 30.00", "3, 3.333, 0, 10.01", "1, 5.00, -30.00, 25.00"})
    void quantityByPriceAndAdjustmentMustGiveTheAmount(
            String quantity, String price, String adjustment, String amount) {
        assertRefused("line-amount", () -> posting.post(priced(quantity, price, adjustment, amount)));
    }

    @ParameterizedTest(name = "{0} × {1} and {2} are {3}")
    @CsvSource({"250, 0.12, 0, 30.00", "250, 0.12, -1.50, 28.50", "3, 3.333, 0, 10.00", "1, 5.00, -30.00, -25.00"})
    void aPriceIsKeptWithItsAdjustment(String quantity, String price, String adjustment, String amount) {
        Books.Document document = saltmere(() -> posting.post(priced(quantity, price, adjustment, amount)));
        Books.Line line = document.lines().getFirst();
        assertThat(line.unitPrice()).isEqualByComparingTo(price);
        assertThat(line.adjustment()).isEqualByComparingTo(adjustment);
        assertThat(line.at(amount("1.00")).computed()).isEqualByComparingTo("1.00");
    }

    private static Draft priced(String quantity, String price, String adjustment, String amount) {
        DraftLine line = new DraftLine(
                null,
                "4010",
                "Rope",
                amount(quantity),
                amount(price),
                amount(adjustment),
                amount(amount),
                "S23",
                null,
                null);
        Draft plain = invoice("P-" + quantity + price + adjustment + amount);
        return plain.changed(plain.due(), List.of(line), 0);
    }

    private static Draft inDepartment(String number, Map<String, String> dimensions) {
        DraftLine line = new DraftLine(
                null, "4010", "Rope", BigDecimal.ONE, amount("10.00"), null, amount("10.00"), "S23", null, dimensions);
        Draft plain = invoice(number);
        List<DraftLine> lines = new ArrayList<>(plain.lines());
        lines.add(line);
        return plain.changed(plain.due(), lines, 0);
    }

    @Test
    void whatIsBookedIsToldApartByDimensions() {
        assertRefused(inDepartment("D-1", Map.of("DEPT", "SHOP")), "dimensions-off");
        saltmere(() -> {
            masters.set("dimensions", true);
            return null;
        });
        assertRefused(inDepartment("D-2", Map.of("DEPT", "LOFT")), "dimension-unknown");
        assertRefused(inDepartment("D-3", Map.of("SITE", "SHOP")), "dimension-unknown");
        Books.Document document = saltmere(() -> posting.post(inDepartment("D-4", Map.of("DEPT", "SHOP"))));
        assertThat(document.lines()).extracting(Books.Line::toldApart).containsExactly("", "", "DEPT SHOP");
        assertThat(document.journal())
                .filteredOn(line -> line.account().equals("4010"))
                .extracting(Books.JournalLine::toldApart)
                .containsExactlyInAnyOrder("", "DEPT SHOP");
    }

    @ParameterizedTest(name = "{1} under {0}")
    @CsvSource({
        "RC23, 500.00, 5100 500.00 0.00; 1400 115.00 0.00; 2100 0.00 500.00; 2200 0.00 115.00",
        "RC23H, 250.05, 5100 278.80 0.00; 1400 28.76 0.00; 2100 0.00 250.05; 2200 0.00 57.51"
    })
    void whatASupplierDoesNotChargeIsBookedOnBothSides(String code, String amount, String journal) {
        Draft plain = bill("K-" + code, "IC-1002", "bill");
        DraftLine line = new DraftLine(null, "5100", "Rope", BigDecimal.ONE, amount(amount), amount(amount), code);
        Books.Document bill = saltmere(() -> posting.post(plain.changed(plain.due(), List.of(line), 0)));
        assertThat(bill.gross()).as("the supplier is owed the net").isEqualByComparingTo(amount);
        assertThat(bill.journal())
                .extracting(each -> each.account() + " " + each.debit() + " " + each.credit())
                .containsExactlyInAnyOrder(journal.split("; "));
        Books.Document sale = saltmere(() -> posting.post(invoice("T-" + code).changed(DAY, List.of(line), 0)));
        assertThat(sale.journal()).as("a sale under it books none").hasSize(2);
    }

    private static Draft placed(String number, String party, Boolean taxable) {
        DraftLine line = new DraftLine(
                null, "4020", "Work", BigDecimal.ONE, amount("10.00"), null, amount("10.00"), null, taxable, null);
        Draft plain = invoice(number);
        return new Draft(
                number,
                plain.kind(),
                party,
                DAY,
                plain.due(),
                "EUR",
                false,
                plain.controlAccount(),
                "test:" + number,
                "",
                List.of(line),
                null);
    }

    @Test
    void whatIsTaxableIsDecidedByTheOtherPartysPlaceWhereTheCompanyHasItSo() {
        assertRefused(placed("W-1", "IC-1002", true), "tax-by-code");
        String abroad = saltmere(() -> masters.add(new Books.Party(
                        null,
                        "Larkspur Yachts",
                        "",
                        "",
                        "",
                        Map.of("country", "US"),
                        Map.of(),
                        "",
                        null,
                        null,
                        "test:US",
                        true,
                        0)))
                .id();
        saltmere(() -> {
            masters.set("decides-tax", true);
            return null;
        });
        assertRefused(invoice("W-2"), "tax-by-place");
        assertThat(saltmere(() -> posting.post(placed("W-3", "IC-1002", true))).tax())
                .as("at home, whatever the rate of the work was")
                .isEqualByComparingTo("2.30");
        assertThat(saltmere(() -> posting.post(placed("W-4", abroad, true))).tax())
                .isEqualByComparingTo("0");
        Books.Document not = saltmere(() -> posting.post(placed("W-5", "IC-1002", false)));
        assertThat(not.tax()).isEqualByComparingTo("0");
        assertThat(not.lines().getFirst().taxable()).isFalse();
        saltmere(() -> {
            masters.set("decides-tax", false);
            return null;
        });
        Books.Document kept = saltmere(() -> posting.change(
                not.id(),
                Draft.of(not).changed(DAY, List.of(not.lines().getFirst().at(amount("9.00"))), not.version())));
        assertThat(kept.lines().getFirst().taxCode())
                .as("what was decided keeps its code")
                .isEqualTo(not.lines().getFirst().taxCode());
        assertThat(kept.lines().getFirst().taxable()).isNull();
    }

    private static BigDecimal balance(String account) {
        return saltmere(() -> own.part(OpenItems.class).balances(null)).stream()
                .filter(each -> each.code().equals(account))
                .map(Books.Balance::balance)
                .findFirst()
                .orElseThrow();
    }

    private static void assertRefused(String code, ScopedValue.CallableOp<?, RuntimeException> work) {
        assertThatThrownBy(() -> saltmere(work::call))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.code()).isEqualTo(code));
    }

    private static BigDecimal sum(List<Books.JournalLine> journal, boolean debit) {
        return journal.stream()
                .map(line -> debit ? line.debit() : line.credit())
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }
}
