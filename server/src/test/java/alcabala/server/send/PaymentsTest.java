package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import tools.jackson.databind.JsonNode;

/// Money both ways: recorded at the yard's desk and sent, entered on Inkwell and brought back.
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class PaymentsTest {
    private static World world;
    private static Api admin;
    private static Yard yard;
    private static JsonNode invoice;
    private static BigDecimal gross;
    private static YardMoney money;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        admin = world.api("admin");
        yard = new Yard(admin);
        money = new YardMoney(world, yard);
        yard.mapEverything();
        Yard.decide(admin, "yard", "PAYMENTS", "both");
        invoice = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice")
                        && row.get("gross").asDecimal().compareTo(new BigDecimal("100")) > 0
                        && !row.get("number").asString().matches("HW-20301|HW-20388"))
                .findFirst()
                .orElseThrow();
        gross = invoice.get("gross").asDecimal();
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    private static String number() {
        return invoice.get("number").asString();
    }

    private static int news() {
        return world.jdbc()
                .sql("select count(*) from trail where action = 'payment-brought-back'")
                .query(Integer.class)
                .single();
    }

    @Test
    @Order(1)
    void aPaymentWaitsForItsInvoiceAndForTheAccountOfItsMeans() {
        money.pay(invoice, "60.00", "48", "");
        money.fetch();
        JsonNode payment = yard.document("HW-P-1001");
        assertThat(payment.get("kind").asString()).isEqualTo("payment-in");
        assertThat(payment.get("gross").asString()).isEqualTo("60.00");
        assertThat(payment.get("state").asString()).isEqualTo("Blocked");
        long id = payment.get("id").asLong();
        assertThat(money.causes(id))
                .containsExactlyInAnyOrder("waits-for:invoice " + number(), "means-unmapped:48 EUR");

        JsonNode means = admin.get("/api/map/means?route=yard").json().get("rows");
        assertThat(means.get(0).get("code").asString()).isEqualTo("48 EUR");
        assertThat(means.get(0).get("blockedDocuments").asInt()).isEqualTo(1);
        assertThat(means.get(0).get("suggestion").get("code").asString()).isEqualTo("1250");
        yard.map("MEANS", "48 EUR", "", "1250");
        assertThat(money.causes(id)).containsExactly("waits-for:invoice " + number());

        yard.awaitFinished(yard.send(List.of(invoice.get("id").asLong())));
        assertThat(money.state("HW-P-1001")).as("released by itself").isEqualTo("Ready");
        assertThat(money.state(number())).isEqualTo("Posted");
        invoice = yard.document(number());
    }

    @Test
    @Order(2)
    void itIsSentAndSettlesItsInvoiceThereAndIsNoNewsAfterwards() {
        JsonNode why = admin.get(
                        "/api/documents/" + yard.document("HW-P-1001").get("id").asLong() + "/why")
                .json();
        long batch = money.send();
        assertThat(yard.batch(batch).get("batch").get("posted").asInt()).isEqualTo(1);
        assertThat(money.there(invoice).get("paid").asDecimal()).isEqualByComparingTo("60.00");
        assertThat(world.standIns().balance("1250")).isEqualByComparingTo("60.00");
        JsonNode payment = yard.document("HW-P-1001");
        assertThat(payment.get("state").asString()).isEqualTo("Posted");
        JsonNode onInkwell =
                world.standIns().inkwell("/payments/" + payment.get("ledgerRef").asString());
        assertThat(onInkwell.get("means").asString() + " "
                        + onInkwell.get("reference").asString())
                .isEqualTo("48 slip7");
        assertThat(onInkwell.get("journal").size())
                .isEqualTo(why.get("journal").get("lines").size())
                .isEqualTo(2);

        int records = records();
        money.fetch();
        money.fetch();
        assertThat(records()).isEqualTo(records);
        assertThat(news()).as("what Alcabala sent is no news").isZero();
        assertThat(yard.document(number()).get("state").asString()).isEqualTo("Posted");
        assertThat(yard.document(number()).get("paid").asString()).isEqualTo("60.00");
        assertThat(money.state("HW-P-1001")).isEqualTo("Posted");
    }

    private static int records() {
        return world.jdbc()
                .sql("select count(*) from record")
                .query(Integer.class)
                .single();
    }

    @Test
    @Order(3)
    void whatIsEnteredOnInkwellComesBackAndClosesTheInvoiceAtTheYard() {
        BigDecimal rest = gross.subtract(new BigDecimal("60.00"));
        assertThat(money.shown(money.desk(invoice), "open")).isEqualTo(rest.toPlainString());
        world.standIns()
                .desk(
                        "/inkwell/books/saltmere/documents/"
                                + invoice.get("ledgerRef").asString() + "/pay",
                        "amount=" + rest.toPlainString() + "&date=" + LocalDate.now()
                                + "&means=10&reference=till&account=1210");
        money.fetch();
        JsonNode back =
                world.jdbc().sql("select id from record where origin = 'ledger'").query(Long.class).list().stream()
                        .map(id -> money.detail(id).get("document"))
                        .findFirst()
                        .orElseThrow();
        long batch = world.jdbc()
                .sql("select max(id) from batch where origin = 'ledger'")
                .query(Long.class)
                .single();
        yard.awaitFinished(batch);
        assertThat(money.shown(money.desk(invoice), "open")).isEqualTo("0.00");
        assertThat(world.standIns().page("/hullwork/payments")).contains("till").contains("HW-P-1002");
        JsonNode arrived = money.detail(back.get("id").asLong()).get("document");
        assertThat(arrived.get("state").asString()).isEqualTo("Posted");
        assertThat(arrived.get("number").asString()).isEqualTo("HW-P-1002");
        assertThat(arrived.get("ledgerNumber").asString()).startsWith("PM-");
        assertThat(news()).isEqualTo(1);

        int records = records();
        money.fetch();
        money.fetch();
        assertThat(records()).isEqualTo(records);
        assertThat(world.standIns().page("/hullwork/payments")).doesNotContain("HW-P-1003");
        assertThat(yard.document(number()).get("payment").asString()).isEqualTo("paid");
    }

    @Test
    @Order(4)
    void oneThatIsVoidedIsTakenBackThere() {
        world.standIns().desk("/hullwork/payments/HP-1001/void", "");
        money.fetch();
        assertThat(money.state("HW-P-1001")).isEqualTo("Diverged");
        JsonNode payment = yard.document("HW-P-1001");
        JsonNode changed = money.detail(payment.get("id").asLong()).get("sides").get("changes");
        assertThat(changed).hasSize(1);
        assertThat(changed.get(0).get("field").asString()).isEqualTo("standing");
        assertThat(changed.get(0).get("becomes").asString()).isEqualTo("TRAVELS");
        yard.awaitFinished(yard.send(List.of(payment.get("id").asLong())));
        assertThat(money.state("HW-P-1001")).isEqualTo("Voided");
        assertThat(world.standIns().balance("1250")).isEqualByComparingTo("0.00");
        assertThat(world.standIns()
                        .inkwell("/payments/" + payment.get("ledgerRef").asString())
                        .get("status")
                        .asString())
                .isEqualTo("void");
        assertThat(money.lines(payment.get("id").asLong())).containsExactly("1100 6000", "1250 -6000");
        money.fetch();
        assertThat(money.state("HW-P-1001")).isEqualTo("Voided");
        assertThat(yard.document(number()).get("paid").asString())
                .isEqualTo(gross.subtract(new BigDecimal("60.00")).toPlainString());
        assertThat(told()).endsWith("settled 60.00", "payment-brought-back null", "opened-again 60.00");
        assertThat(news()).as("what was taken back is no news").isEqualTo(1);
    }

    /// What the trail of the invoice says of money.
    private static List<String> told() {
        return admin.get("/api/documents/" + invoice.get("id").asLong() + "/trail")
                .json()
                .valueStream()
                .filter(each -> each.get("action").asString().matches("settled|opened-again|payment-brought-back"))
                .map(each -> each.get("action").asString() + " "
                        + (each.get("detail").has("amount")
                                ? new BigDecimal(
                                                each.get("detail").get("amount").asString())
                                        .setScale(2)
                                : null))
                .toList();
    }

    @Test
    @Order(5)
    void aDiscountSettlesTheRestAndSomebodyElseWhoPaysIsConfirmedOnce() {
        Yard.decide(admin, "yard", "RECEIVING_BANK", "1000");
        money.pay(invoice, "58.20", "30", "&deduction=DISCOUNT&deducted=1.80");
        money.fetch();
        JsonNode payment = yard.document("HW-P-1003");
        assertThat(payment.get("state").asString())
                .as(money.causes(payment.get("id").asLong()).toString())
                .isEqualTo("Ready");
        money.send();
        assertThat(money.there(invoice).get("paid").asDecimal()).isEqualByComparingTo(gross);
        assertThat(money.state("HW-P-1003")).isEqualTo("Posted");

        JsonNode other = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice")
                        && !row.get("party")
                                .asString()
                                .equals(invoice.get("party").asString()))
                .findFirst()
                .orElseThrow();
        yard.awaitFinished(yard.send(List.of(other.get("id").asLong())));
        Map<String, String> form = new HashMap<>(Map.of(
                "type", "PAYMENT",
                "date", LocalDate.now().toString(),
                "customer", money.party(invoice),
                "amount", "25.00",
                "means", "30",
                "document", other.get("number").asString(),
                "money", "5.00"));
        world.standIns()
                .desk(
                        "/hullwork/payments",
                        form.entrySet().stream()
                                .map(each -> each.getKey() + "=" + each.getValue())
                                .reduce((one, more) -> one + "&" + more)
                                .orElseThrow());
        money.fetch();
        JsonNode paid = yard.document("HW-P-1004");
        String cause = "payer-differs:" + money.party(invoice) + " > " + money.party(other);
        assertThat(money.causes(paid.get("id").asLong())).containsExactly(cause);
        yard.map("PAYER", cause.substring("payer-differs:".length()), "", "");
        assertThat(money.state("HW-P-1004")).isEqualTo("Ready");
        money.send();
        JsonNode onInkwell = world.standIns()
                .inkwell("/payments/"
                        + yard.document("HW-P-1004").get("ledgerRef").asString());
        assertThat(onInkwell.get("open").asDecimal()).as("an open credit").isEqualByComparingTo("20.00");
        assertThat(onInkwell.get("party").asString())
                .isEqualTo(money.there(yard.document(other.get("number").asString()))
                        .get("party")
                        .asString());
    }

    @Test
    @Order(6)
    void whatComesBackFromTheBankOpensTheInvoiceAgain() {
        world.standIns().desk("/hullwork/payments/HP-1003/return", "date=" + LocalDate.now() + "&charges=4.50");
        yard.map("ROLE", "BANK_CHARGES", "", "6100");
        money.fetch();
        JsonNode returned = yard.document("HW-P-1005");
        assertThat(returned.get("kind").asString()).isEqualTo("returned-in");
        BigDecimal before = world.standIns().balance("1000");
        money.send();
        assertThat(money.state("HW-P-1005")).isEqualTo("Posted");
        assertThat(world.standIns().balance("1000")).isEqualByComparingTo(before.subtract(new BigDecimal("62.70")));
        assertThat(world.standIns().balance("6100")).isEqualByComparingTo("4.50");
        assertThat(money.there(invoice).get("paid").asDecimal())
                .isEqualByComparingTo(gross.subtract(new BigDecimal("60.00")));
        assertThat(money.shown(money.desk(invoice), "open")).isEqualTo("60.00");
        BigDecimal paid = gross.subtract(new BigDecimal("60.00"));
        assertThat(yard.document(number()).get("paid").asDecimal())
                .as("known at once")
                .isEqualByComparingTo(paid);
        money.fetch();
        assertThat(yard.document(number()).get("paid").asDecimal()).isEqualByComparingTo(paid);
        assertThat(news()).as("nor is what came back").isEqualTo(1);
    }

    @Test
    @Order(7)
    void documentsAndPaymentsDoNotAddUpToOneTotal() {
        money.pay(invoice, "10.00", "48", "");
        money.fetch();
        long document = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        Api.Response mixed = admin.post(
                "/api/batches/preview",
                Map.of(
                        "route",
                        "yard",
                        "ids",
                        List.of(document, yard.document("HW-P-1006").get("id").asLong())));
        assertThat(mixed.json().get("code").asString()).isEqualTo("mixed-batch");
    }

    /// What is seen while it is not wanted waits; what is dated before the first day stays where it is.
    @Test
    @Order(8)
    void whatWasEnteredBeforeItWasWantedComesBackOnceItIs() {
        Yard.decide(admin, "yard", "PAYMENTS", "to-ledger");
        String there =
                "/inkwell/books/saltmere/documents/" + invoice.get("ledgerRef").asString() + "/pay";
        world.standIns().desk(there, "amount=3.00&date=" + LocalDate.now() + "&reference=wanted");
        money.fetch();
        assertThat(money.entered("wanted")).isEmpty();
        Yard.decide(admin, "yard", "PAYMENTS", "both");
        Yard.decide(admin, "yard", "PAYMENTS_CUT_OFF", LocalDate.now().toString());
        world.standIns().desk(there, "amount=4.00&date=" + LocalDate.now().minusDays(1) + "&reference=toosoon");
        money.fetch();
        assertThat(money.entered("wanted")).hasSize(1);
        assertThat(money.entered("toosoon")).isEmpty();
        money.awaitBack();
        assertThat(world.standIns().page("/hullwork/payments"))
                .contains("wanted")
                .doesNotContain("toosoon");
        Yard.decide(admin, "yard", "PAYMENTS_CUT_OFF", "");
    }

    /// What is left over there is on account here.
    @Test
    @Order(9)
    void whatIsOverThereIsOnAccountHere() {
        JsonNode first = yard.documents("Posted").stream()
                .filter(row -> row.get("kind").asString().equals("invoice")
                        && !row.get("number").asString().equals(number())
                        && row.get("payment").asString().matches("open|overdue|part-paid"))
                .findFirst()
                .orElseThrow();
        JsonNode onLedger = money.there(first);
        BigDecimal open =
                onLedger.get("gross").asDecimal().subtract(onLedger.get("paid").asDecimal());
        Api.Response answer = new Api(world.standIns().address())
                .withToken("inkwell-demo-key")
                .post(
                        "/inkwell/api/companies/saltmere/payments",
                        Map.of(
                                "kind", "payment-in",
                                "party", onLedger.get("party").asString(),
                                "date", LocalDate.now().toString(),
                                "controlAccount", "1100",
                                "account", "1000",
                                "means", "30",
                                "reference", "over",
                                "amount", open.add(new BigDecimal("7.00")),
                                "allocations",
                                        List.of(Map.of(
                                                "document", onLedger.get("id").asString(), "money", open))));
        assertThat(answer.status()).as(answer.body()).isEqualTo(201);
        money.fetch();
        money.awaitBack();
        assertThat(money.entered("over")).hasSize(1);
        JsonNode document = money.detail(money.entered("over").getFirst()).get("document");
        assertThat(document.get("state").asString() + " "
                        + document.get("payment").asString())
                .isEqualTo("Posted open credit");
        assertThat(world.standIns().page("/hullwork/payments"))
                .contains(open.add(new BigDecimal("7.00")).toPlainString());
    }

    /// A record that is odd is set aside with its reason, and the one beside it comes, over two documents of ours.
    @Test
    @Order(10)
    void oneOverTwoDocumentsComesBackAsOneAndAnOddOneHoldsUpNobody() {
        Map<String, List<JsonNode>> byParty = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice")
                        && !row.get("number").asString().matches("HW-20301|HW-20388"))
                .collect(Collectors.groupingBy(row -> row.get("party").asString()));
        List<JsonNode> two = byParty.values().stream()
                .filter(rows -> rows.size() > 1)
                .findFirst()
                .orElseThrow()
                .subList(0, 2);
        yard.awaitFinished(
                yard.send(two.stream().map(row -> row.get("id").asLong()).toList()));
        List<Map<String, Object>> allocations = new ArrayList<>();
        String party = "";
        for (JsonNode row : two) {
            JsonNode onLedger = money.there(yard.document(row.get("number").asString()));
            party = onLedger.get("party").asString();
            allocations.add(Map.of("document", onLedger.get("id").asString(), "money", "5.00"));
        }
        payThere(party, "x".repeat(201), allocations);
        payThere(party, "both", allocations);
        money.fetch();
        money.awaitBack();
        assertThat(money.entered("both")).hasSize(1);
        assertThat(money.entered("x".repeat(201))).isEmpty();
        assertThat(world.standIns().page("/hullwork/payments"))
                .contains(two.getFirst().get("number").asString() + " 5.00; "
                        + two.getLast().get("number").asString() + " 5.00; ");
        assertThat(admin.get("/api/set-aside").body()).contains("its reference is longer than 200 characters");
    }

    private static void payThere(String party, String reference, List<Map<String, Object>> allocations) {
        Api.Response answer = new Api(world.standIns().address())
                .withToken("inkwell-demo-key")
                .post(
                        "/inkwell/api/companies/saltmere/payments",
                        Map.of(
                                "kind", "payment-in",
                                "party", party,
                                "date", LocalDate.now().toString(),
                                "controlAccount", "1100",
                                "account", "1000",
                                "means", "30",
                                "reference", reference,
                                "amount", "10.00",
                                "allocations", allocations));
        assertThat(answer.status()).as(answer.body()).isEqualTo(201);
    }
}
