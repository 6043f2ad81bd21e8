package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// Payments that are not over once they stand: changed on either side, void, or kept back in part. Each test has an
/// invoice of its own that stands on Inkwell.
class ChangedPaymentsTest {
    private static final String BOOKS = "/inkwell/books/saltmere";
    private static World world;
    private static Yard yard;
    private static YardMoney money;
    private JsonNode invoice;
    private BigDecimal gross;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        Api admin = world.api("admin");
        yard = new Yard(admin);
        money = new YardMoney(world, yard);
        yard.mapEverything();
        Yard.decide(admin, "yard", "PAYMENTS", "both");
        Yard.decide(admin, "yard", "RECEIVING_BANK", "1000");
        yard.map("ROLE", "RETENTION_RECEIVABLE", "", "1460");
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @BeforeEach
    void postAnInvoice() {
        JsonNode ready = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice")
                        && row.get("gross").asDecimal().compareTo(new BigDecimal("100")) > 0
                        && !row.get("number").asString().matches("HW-20301|HW-20388"))
                .findFirst()
                .orElseThrow();
        yard.awaitFinished(yard.send(List.of(ready.get("id").asLong())));
        invoice = yard.document(ready.get("number").asString());
        gross = invoice.get("gross").asDecimal();
    }

    @AfterEach
    void mend() {
        world.standIns().allWell();
    }

    private BigDecimal paidThere() {
        return money.there(invoice).get("paid").asDecimal();
    }

    private String openAtTheYard() {
        return money.shown(money.desk(invoice), "open");
    }

    /// Money on account of the invoice's customer, which stands there.
    private JsonNode onAccount(String amount) {
        world.standIns()
                .desk(
                        "/hullwork/payments",
                        "type=PAYMENT&date=" + LocalDate.now() + "&customer=" + money.party(invoice) + "&amount="
                                + amount + "&means=30");
        money.fetch();
        money.send();
        return yard.document(money.newest());
    }

    private void apply(JsonNode payment, String amount) {
        world.standIns()
                .desk(
                        YardMoney.deskOf(payment.get("number").asString()) + "/apply",
                        "document=" + invoice.get("number").asString() + "&money=" + amount);
    }

    private static void correct(JsonNode payment, String amount) {
        world.standIns().desk(YardMoney.deskOf(payment.get("number").asString()) + "/correct", "amount=" + amount);
    }

    private static JsonNode onInkwell(JsonNode payment) {
        return money.payment(payment.get("ledgerRef").asString());
    }

    private static String stateOf(JsonNode payment) {
        return money.state(payment.get("number").asString());
    }

    private static List<String> actions(JsonNode payment) {
        return world.api("admin")
                .get("/api/documents/" + payment.get("id").asLong() + "/trail")
                .json()
                .findValuesAsString("action");
    }

    @Test
    void whatACustomerKeepsBackIsReleasedLaterAndTouchesTheInvoiceNoMore() {
        BigDecimal less = gross.subtract(new BigDecimal("10.00"));
        money.pay(invoice, less.toPlainString(), "30", "&deduction=RETENTION&deducted=10.00");
        money.pay(invoice, "10.00", "30", "&deduction=RELEASE&deducted=10.00");
        assertThat(money.shown(money.desk(invoice), "retained")).isEqualTo("0.00");
        money.fetch();
        money.send();
        assertThat(paidThere()).isEqualByComparingTo(gross);
        List<Long> both = world.jdbc()
                .sql("select record_id from allocation where number = :number order by record_id")
                .param("number", invoice.get("number").asString())
                .query(Long.class)
                .list();
        assertThat(money.lines(both.getFirst()))
                .containsExactly("1000 " + less.unscaledValue(), "1100 -" + gross.unscaledValue(), "1460 1000");
        assertThat(money.lines(both.getLast())).containsExactly("1000 1000", "1460 -1000");
    }

    /// Money on account that is applied later, and an amount that was mistyped: the same payment, a later version.
    @Test
    void oneThatIsChangedAfterItStandsIsChangedInItsPlace() {
        JsonNode payment = onAccount("50.00");
        correct(payment, "60.00");
        apply(payment, "45.00");
        money.fetch();
        assertThat(stateOf(payment)).isEqualTo("Diverged");
        money.send();
        assertThat(onInkwell(payment).get("amount").asDecimal()).isEqualByComparingTo("60.00");
        assertThat(onInkwell(payment).get("open").asDecimal()).isEqualByComparingTo("15.00");
        assertThat(yard.document(money.newest()).get("ledgerRef")).isEqualTo(payment.get("ledgerRef"));
        assertThat(paidThere()).isEqualByComparingTo("45.00");
        assertThat(money.lines(payment.get("id").asLong())).containsExactly("1000 6000", "1100 -6000");
        apply(payment, "15.00");
        money.fetch();
        money.send();
        money.fetch();
        assertThat(paidThere())
                .as("what it settles already does not stand in its way")
                .isEqualByComparingTo("60.00");
        assertThat(world.jdbc()
                        .sql("select paid from record where id = :id")
                        .param("id", invoice.get("id").asLong())
                        .query(Long.class)
                        .single())
                .isEqualTo(6000);
        assertThat(stateOf(payment)).isEqualTo("Posted");
    }

    @Test
    void aChangeWhoseAnswerIsLostIsMadeOnce() {
        JsonNode payment = onAccount("50.00");
        int version = onInkwell(payment).get("version").asInt();
        apply(payment, "20.00");
        money.fetch();
        world.standIns().fault("inkwell", "ANSWER_LOST", 1);
        money.send();
        assertThat(stateOf(payment)).isEqualTo("Posted");
        assertThat(onInkwell(payment).get("version").asInt()).isEqualTo(version + 1);
        assertThat(paidThere()).isEqualByComparingTo("20.00");
        assertThat(actions(payment)).contains("sent-in-place", "answer-lost", "asked");
    }

    /// A person applied it there in the meantime: that is seen, and decided by a person.
    @Test
    void aChangeOverOneThatNobodyReadIsRefused() {
        JsonNode payment = onAccount("50.00");
        apply(payment, "20.00");
        money.fetch();
        Api.Response applied = new Api(world.standIns().address())
                .withToken("inkwell-demo-key")
                .post(
                        "/inkwell/api/companies/saltmere/payments/"
                                + payment.get("ledgerRef").asString() + "/allocations",
                        List.of(Map.of("document", invoice.get("ledgerRef").asString(), "money", "5.00")));
        assertThat(applied.status()).as(applied.body()).isLessThan(300);
        yard.awaitFinished(yard.send(List.of(payment.get("id").asLong())));
        assertThat(paidThere()).isEqualByComparingTo("5.00");
        assertThat(stateOf(payment)).isEqualTo("Diverged");
        money.fetch();
        yard.awaitFinished(yard.send(List.of(payment.get("id").asLong())));
        assertThat(paidThere()).as("as the yard has it").isEqualByComparingTo("20.00");
        assertThat(stateOf(payment)).isEqualTo("Posted");
    }

    /// The yard corrects what was paid; on Inkwell it was given the day of the statement.
    @Test
    void eachSideKeepsWhatItChangedOfAPayment() {
        JsonNode payment = onAccount("50.00");
        String ref = payment.get("ledgerRef").asString();
        String day = LocalDate.now().minusDays(1).toString();
        correct(payment, "60.00");
        world.standIns().desk(BOOKS + "/payments/" + ref + "/edit", "date=" + day + "&reference=statement+12");
        money.fetch();
        assertThat(since(payment).get("notTogether").asString()).isEmpty();
        Api.Response settled = settle(payment, "BOTH");
        assertThat(settled.status()).as(settled.body()).isEqualTo(200);
        yard.awaitFinished(settled.json().get("batch").asLong());
        JsonNode there = onInkwell(payment);
        assertThat(there.get("amount").asDecimal()).isEqualByComparingTo("60.00");
        assertThat(there.get("date").asString()).isEqualTo(day);
        assertThat(there.get("reference").asString()).isEqualTo("statement 12");
        assertThat(stateOf(payment)).isEqualTo("Posted");
        money.fetch();
        assertThat(stateOf(payment)).as("and it is no news").isEqualTo("Posted");

        correct(payment, "61.00");
        money.fetch();
        money.send();
        assertThat(onInkwell(payment).get("date").asString())
                .as("it lasts through the next change")
                .isEqualTo(day);
        assertThat(onInkwell(payment).get("amount").asDecimal()).isEqualByComparingTo("61.00");

        world.standIns().desk(BOOKS + "/payments/" + ref + "/edit", "date=" + day + "&reference=statement+13");
        correct(payment, "62.00");
        money.fetch();
        yard.awaitFinished(settle(payment, "SOURCE").json().get("batch").asLong());
        assertThat(onInkwell(payment).get("reference").asString())
                .as("as its source has it, if somebody says so")
                .isNotEqualTo("statement 13");
    }

    private static JsonNode since(JsonNode payment) {
        return money.detail(payment.get("id").asLong()).get("sides").get("since");
    }

    private static Api.Response settle(JsonNode payment, String winner) {
        return world.api("admin")
                .post(
                        "/api/documents/" + payment.get("id").asLong() + "/settlement",
                        Map.of(
                                "winner",
                                winner,
                                "ledgerVersion",
                                since(payment).get("ledgerVersion").asInt()));
    }

    /// Its document is open again on both sides, and it is taken back once, whatever is lost on the way.
    @Test
    void whatWasEnteredOnInkwellAndIsVoidThereIsTakenBackAtTheYard() {
        world.standIns()
                .desk(
                        BOOKS + "/documents/" + invoice.get("ledgerRef").asString() + "/pay",
                        "amount=" + gross.toPlainString() + "&date=" + LocalDate.now()
                                + "&means=10&reference=mistake&account=1210");
        money.fetch();
        money.awaitBack();
        JsonNode back = money.detail(money.entered("mistake").getFirst()).get("document");
        assertThat(openAtTheYard()).isEqualTo("0.00");
        world.standIns().desk(BOOKS + "/payments/" + back.get("ledgerRef").asString() + "/void", "");
        world.standIns().fault("hullwork", "ANSWER_LOST", 1);
        money.fetch();
        money.awaitBack();
        assertThat(openAtTheYard()).isEqualTo(gross.toPlainString());
        assertThat(actions(back)).contains("taken-back", "answer-lost", "asked").containsOnlyOnce("taken-back");
        int batches = batches();
        money.fetch();
        money.fetch();
        assertThat(batches()).isEqualTo(batches);
        assertThat(money.detail(back.get("id").asLong())
                        .get("document")
                        .get("state")
                        .asString())
                .isEqualTo("Voided");
        assertThat(yard.document(invoice.get("number").asString())
                        .get("payment")
                        .asString())
                .isNotEqualTo("paid");
    }

    @Test
    void aRouteThatBringsNothingBackTakesNothingBackEither() {
        world.standIns()
                .desk(
                        BOOKS + "/documents/" + invoice.get("ledgerRef").asString() + "/pay",
                        "amount=9.00&date=" + LocalDate.now() + "&means=10&reference=later&account=1210");
        money.fetch();
        money.awaitBack();
        JsonNode back = money.detail(money.entered("later").getFirst()).get("document");
        Yard.decide(world.api("admin"), "yard", "PAYMENTS", "to-ledger");
        try {
            world.standIns().desk(BOOKS + "/payments/" + back.get("ledgerRef").asString() + "/void", "");
            int batches = batches();
            money.fetch();
            assertThat(batches()).isEqualTo(batches);
        } finally {
            Yard.decide(world.api("admin"), "yard", "PAYMENTS", "both");
        }
        money.fetch();
        money.awaitBack();
        assertThat(openAtTheYard()).isEqualTo(gross.toPlainString());
    }

    private static int batches() {
        return world.jdbc()
                .sql("select count(*) from batch where origin = 'ledger'")
                .query(Integer.class)
                .single();
    }
}
