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
import java.util.regex.Matcher;
import java.util.regex.Pattern;
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

    @BeforeAll
    static void start() {
        world = World.inProcess();
        admin = world.api("admin");
        yard = new Yard(admin);
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

    private static void pull() {
        Api.Response answer = admin.post("/api/pull?route=yard", Map.of());
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
    }

    private static String number() {
        return invoice.get("number").asString();
    }

    private static String desk() {
        String source = detail(invoice.get("id").asLong())
                .get("sides")
                .get("sourceDesk")
                .asString();
        return source.substring(source.indexOf("/hullwork"));
    }

    private static JsonNode detail(long id) {
        return admin.get("/api/documents/" + id).json();
    }

    private static List<String> causes(long id) {
        return admin.get("/api/documents/" + id + "/why")
                .json()
                .get("findings")
                .valueStream()
                .map(each -> each.get("cause").asString())
                .toList();
    }

    private static void pay(String amount, String means, String more) {
        world.standIns()
                .desk(
                        desk() + "/payments",
                        "amount=" + amount + "&date=" + LocalDate.now() + "&means=" + means + "&reference=slip7"
                                + more);
    }

    private static JsonNode record(String number) {
        return yard.document(number);
    }

    private static String state(String number) {
        return record(number).get("state").asString();
    }

    private static long sendPayments() {
        Api.Response sent = Yard.trySend(admin, Map.of("route", "yard", "payments", true));
        assertThat(sent.status()).as(sent.body()).isEqualTo(200);
        long batch = sent.json().get("id").asLong();
        yard.awaitFinished(batch);
        return batch;
    }

    private static JsonNode there(JsonNode row) {
        return world.standIns().inkwell("/documents/" + row.get("ledgerRef").asString());
    }

    private static String shown(String page, String id) {
        Matcher figure = Pattern.compile("id=\"" + id + "\">([^<]*)<")
                .matcher(world.standIns().page(page));
        assertThat(figure.find()).isTrue();
        return figure.group(1);
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
        pay("60.00", "48", "");
        pull();
        JsonNode payment = record("HW-P-1001");
        assertThat(payment.get("kind").asString()).isEqualTo("payment-in");
        assertThat(payment.get("gross").asString()).isEqualTo("60.00");
        assertThat(payment.get("state").asString()).isEqualTo("Blocked");
        long id = payment.get("id").asLong();
        assertThat(causes(id)).containsExactlyInAnyOrder("waits-for:invoice " + number(), "means-unmapped:48 EUR");

        JsonNode means = admin.get("/api/map/means?route=yard").json();
        assertThat(means.get(0).get("code").asString()).isEqualTo("48 EUR");
        assertThat(means.get(0).get("blockedDocuments").asInt()).isEqualTo(1);
        assertThat(means.get(0).get("suggestion").get("account").asString()).isEqualTo("1250");
        yard.map("MEANS", "48 EUR", "", "1250");
        assertThat(causes(id)).containsExactly("waits-for:invoice " + number());

        yard.awaitFinished(yard.send(List.of(invoice.get("id").asLong())));
        assertThat(state("HW-P-1001")).as("released by itself").isEqualTo("Ready");
        assertThat(state(number())).isEqualTo("Posted");
        invoice = record(number());
    }

    @Test
    @Order(2)
    void itIsSentAndSettlesItsInvoiceThereAndIsNoNewsAfterwards() {
        JsonNode why = admin.get(
                        "/api/documents/" + record("HW-P-1001").get("id").asLong() + "/why")
                .json();
        long batch = sendPayments();
        assertThat(yard.batch(batch).get("batch").get("posted").asInt()).isEqualTo(1);
        assertThat(there(invoice).get("paid").asDecimal()).isEqualByComparingTo("60.00");
        assertThat(world.standIns().balance("1250")).isEqualByComparingTo("60.00");
        JsonNode payment = record("HW-P-1001");
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
        pull();
        pull();
        assertThat(records()).isEqualTo(records);
        assertThat(news()).as("what Alcabala sent is no news").isZero();
        assertThat(record(number()).get("state").asString()).isEqualTo("Posted");
        assertThat(record(number()).get("paid").asString()).isEqualTo("60.00");
        assertThat(state("HW-P-1001")).isEqualTo("Posted");
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
        assertThat(shown(desk(), "open")).isEqualTo(rest.toPlainString());
        world.standIns()
                .desk(
                        "/inkwell/books/saltmere/documents/"
                                + invoice.get("ledgerRef").asString() + "/pay",
                        "amount=" + rest.toPlainString() + "&date=" + LocalDate.now()
                                + "&means=10&reference=till&account=1210");
        pull();
        JsonNode back =
                world.jdbc().sql("select id from record where origin = 'ledger'").query(Long.class).list().stream()
                        .map(id -> detail(id).get("document"))
                        .findFirst()
                        .orElseThrow();
        long batch = world.jdbc()
                .sql("select max(id) from batch where origin = 'ledger'")
                .query(Long.class)
                .single();
        yard.awaitFinished(batch);
        assertThat(shown(desk(), "open")).isEqualTo("0.00");
        assertThat(world.standIns().page("/hullwork/payments")).contains("till").contains("HW-P-1002");
        JsonNode arrived = detail(back.get("id").asLong()).get("document");
        assertThat(arrived.get("state").asString()).isEqualTo("Posted");
        assertThat(arrived.get("number").asString()).isEqualTo("HW-P-1002");
        assertThat(arrived.get("ledgerNumber").asString()).startsWith("PM-");
        assertThat(news()).isEqualTo(1);

        int records = records();
        pull();
        pull();
        assertThat(records()).isEqualTo(records);
        assertThat(world.standIns().page("/hullwork/payments")).doesNotContain("HW-P-1003");
        assertThat(record(number()).get("payment").asString()).isEqualTo("paid");
    }

    @Test
    @Order(4)
    void oneThatIsVoidedIsTakenBackThere() {
        world.standIns().desk("/hullwork/payments/HP-1001/void", "");
        pull();
        assertThat(state("HW-P-1001")).isEqualTo("Diverged");
        JsonNode payment = record("HW-P-1001");
        yard.awaitFinished(yard.send(List.of(payment.get("id").asLong())));
        assertThat(state("HW-P-1001")).isEqualTo("Voided");
        assertThat(world.standIns().balance("1250")).isEqualByComparingTo("0.00");
        assertThat(world.standIns()
                        .inkwell("/payments/" + payment.get("ledgerRef").asString())
                        .get("status")
                        .asString())
                .isEqualTo("void");
        assertThat(lines(payment.get("id").asLong())).containsExactly("1100 6000", "1250 -6000");
        pull();
        assertThat(state("HW-P-1001")).isEqualTo("Voided");
        assertThat(record(number()).get("paid").asString())
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

    /// Of the last posting.
    private static List<String> lines(long record) {
        return world.jdbc().sql("""
                select account || ' ' || amount from posting_line where posting_id = (
                    select max(posting_id) from posting_record where record_id = :id) order by account""").param("id", record).query(String.class).list();
    }

    @Test
    @Order(5)
    void aDiscountSettlesTheRestAndSomebodyElseWhoPaysIsConfirmedOnce() {
        Yard.decide(admin, "yard", "RECEIVING_BANK", "1000");
        pay("58.20", "30", "&deduction=DISCOUNT&deducted=1.80");
        pull();
        JsonNode payment = record("HW-P-1003");
        assertThat(payment.get("state").asString())
                .as(causes(payment.get("id").asLong()).toString())
                .isEqualTo("Ready");
        sendPayments();
        assertThat(there(invoice).get("paid").asDecimal()).isEqualByComparingTo(gross);
        assertThat(state("HW-P-1003")).isEqualTo("Posted");

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
                "customer", party(invoice),
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
        pull();
        JsonNode paid = record("HW-P-1004");
        String cause = "payer-differs:" + party(invoice) + " > " + party(other);
        assertThat(causes(paid.get("id").asLong())).containsExactly(cause);
        yard.map("PAYER", cause.substring("payer-differs:".length()), "", "");
        assertThat(state("HW-P-1004")).isEqualTo("Ready");
        sendPayments();
        JsonNode onInkwell = world.standIns()
                .inkwell("/payments/" + record("HW-P-1004").get("ledgerRef").asString());
        assertThat(onInkwell.get("open").asDecimal()).as("an open credit").isEqualByComparingTo("20.00");
        assertThat(onInkwell.get("party").asString())
                .isEqualTo(there(record(other.get("number").asString()))
                        .get("party")
                        .asString());
    }

    private static String party(JsonNode row) {
        return world.jdbc()
                .sql("select party_code from record where id = :id")
                .param("id", row.get("id").asLong())
                .query(String.class)
                .single();
    }

    @Test
    @Order(6)
    void whatComesBackFromTheBankOpensTheInvoiceAgain() {
        world.standIns().desk("/hullwork/payments/HP-1003/return", "date=" + LocalDate.now() + "&charges=4.50");
        yard.map("ROLE", "BANK_CHARGES", "", "6100");
        pull();
        JsonNode returned = record("HW-P-1005");
        assertThat(returned.get("kind").asString()).isEqualTo("returned-in");
        BigDecimal before = world.standIns().balance("1000");
        sendPayments();
        assertThat(state("HW-P-1005")).isEqualTo("Posted");
        assertThat(world.standIns().balance("1000")).isEqualByComparingTo(before.subtract(new BigDecimal("62.70")));
        assertThat(world.standIns().balance("6100")).isEqualByComparingTo("4.50");
        assertThat(there(invoice).get("paid").asDecimal())
                .isEqualByComparingTo(gross.subtract(new BigDecimal("60.00")));
        assertThat(shown(desk(), "open")).isEqualTo("60.00");
        BigDecimal paid = gross.subtract(new BigDecimal("60.00"));
        assertThat(record(number()).get("paid").asDecimal()).as("known at once").isEqualByComparingTo(paid);
        pull();
        assertThat(record(number()).get("paid").asDecimal()).isEqualByComparingTo(paid);
        assertThat(news()).as("nor is what came back").isEqualTo(1);
    }

    @Test
    @Order(7)
    void documentsAndPaymentsDoNotAddUpToOneTotal() {
        pay("10.00", "48", "");
        pull();
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
                        List.of(document, record("HW-P-1006").get("id").asLong())));
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
        pull();
        assertThat(entered("wanted")).isEmpty();
        Yard.decide(admin, "yard", "PAYMENTS", "both");
        Yard.decide(admin, "yard", "PAYMENTS_CUT_OFF", LocalDate.now().toString());
        world.standIns().desk(there, "amount=4.00&date=" + LocalDate.now().minusDays(1) + "&reference=toosoon");
        pull();
        assertThat(entered("wanted")).hasSize(1);
        assertThat(entered("toosoon")).isEmpty();
        awaitBack();
        assertThat(world.standIns().page("/hullwork/payments"))
                .contains("wanted")
                .doesNotContain("toosoon");
        Yard.decide(admin, "yard", "PAYMENTS_CUT_OFF", "");
    }

    private static List<Long> entered(String reference) {
        return world.jdbc()
                .sql("""
                select d.id from record d join record_revision v on v.id = d.revision_id
                where d.origin = 'ledger' and v.content->>'reference' = :reference""")
                .param("reference", reference)
                .query(Long.class)
                .list();
    }

    private static void awaitBack() {
        yard.awaitFinished(world.jdbc()
                .sql("select max(id) from batch where origin = 'ledger'")
                .query(Long.class)
                .single());
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
        JsonNode onLedger = there(first);
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
        pull();
        awaitBack();
        assertThat(entered("over")).hasSize(1);
        JsonNode document = detail(entered("over").getFirst()).get("document");
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
            JsonNode onLedger = there(record(row.get("number").asString()));
            party = onLedger.get("party").asString();
            allocations.add(Map.of("document", onLedger.get("id").asString(), "money", "5.00"));
        }
        payThere(party, "x".repeat(201), allocations);
        payThere(party, "both", allocations);
        pull();
        awaitBack();
        assertThat(entered("both")).hasSize(1);
        assertThat(entered("x".repeat(201))).isEmpty();
        assertThat(world.standIns().page("/hullwork/payments"))
                .contains(two.getFirst().get("number").asString() + " 5.00; "
                        + two.getLast().get("number").asString() + " 5.00; ");
        assertThat(admin.get("/api/set-aside").body()).contains("its reference is longer than 200 characters");
    }

    @Test
    @Order(11)
    void whatACustomerKeepsBackIsReleasedLaterAndTouchesTheInvoiceNoMore() {
        yard.map("ROLE", "RETENTION_RECEIVABLE", "", "1460");
        invoice = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice")
                        && row.get("gross").asDecimal().compareTo(new BigDecimal("20")) > 0)
                .findFirst()
                .orElseThrow();
        gross = invoice.get("gross").asDecimal();
        yard.awaitFinished(yard.send(List.of(invoice.get("id").asLong())));
        BigDecimal money = gross.subtract(new BigDecimal("10.00"));
        pay(money.toPlainString(), "30", "&deduction=RETENTION&deducted=10.00");
        pay("10.00", "30", "&deduction=RELEASE&deducted=10.00");
        assertThat(world.standIns().page(desk())).contains("kept back <b id=\"retained\">0.00</b>");
        pull();
        sendPayments();
        assertThat(there(record(number())).get("paid").asDecimal()).isEqualByComparingTo(gross);
        List<Long> both = world.jdbc()
                .sql("select record_id from allocation where number = :number order by record_id")
                .param("number", number())
                .query(Long.class)
                .list();
        assertThat(lines(both.getFirst()))
                .containsExactly("1000 " + money.unscaledValue(), "1100 -" + gross.unscaledValue(), "1460 1000");
        assertThat(lines(both.getLast())).containsExactly("1000 1000", "1460 -1000");
    }

    /// Money on account that is applied later, and an amount that was mistyped: the same payment there, a later
    /// version.
    @Test
    @Order(12)
    void oneThatIsChangedAfterItStandsIsChangedInItsPlace() {
        invoice = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice")
                        && row.get("gross").asDecimal().compareTo(new BigDecimal("50")) > 0)
                .findFirst()
                .orElseThrow();
        yard.awaitFinished(yard.send(List.of(invoice.get("id").asLong())));
        world.standIns()
                .desk(
                        "/hullwork/payments",
                        "type=PAYMENT&date=" + LocalDate.now() + "&customer=" + party(invoice)
                                + "&amount=50.00&means=30");
        pull();
        sendPayments();
        JsonNode first = lastPayment();
        String ref = first.get("ledgerRef").asString();
        assertThat(payment(ref).get("open").asDecimal()).isEqualByComparingTo("50.00");

        applyAndCorrect(first.get("number").asString(), "45.00", "60.00");
        pull();
        assertThat(state(first.get("number").asString())).isEqualTo("Diverged");
        sendPayments();
        JsonNode there = payment(ref);
        assertThat(there.get("amount").asDecimal()).isEqualByComparingTo("60.00");
        assertThat(there.get("open").asDecimal()).isEqualByComparingTo("15.00");
        assertThat(there.get("externalReference")).isEqualTo(payment(ref).get("externalReference"));
        JsonNode after = lastPayment();
        assertThat(after.get("state").asString() + " " + after.get("ledgerRef").asString())
                .isEqualTo("Posted " + ref);
        assertThat(there(record(number())).get("paid").asDecimal()).isEqualByComparingTo("45.00");
        assertThat(lines(after.get("id").asLong())).containsExactly("1000 6000", "1100 -6000");

        String id = first.get("number").asString();
        applyAndCorrect(id, "15.00", "60.00");
        pull();
        sendPayments();
        pull();
        assertThat(there(record(number())).get("paid").asDecimal())
                .as("what it settles already does not stand in its way")
                .isEqualByComparingTo("60.00");
        assertThat(world.jdbc()
                        .sql("select paid from record where number = :number")
                        .param("number", number())
                        .query(Long.class)
                        .single())
                .isEqualTo(6000);
        assertThat(state(id)).isEqualTo("Posted");
    }

    private static void applyAndCorrect(String payment, String applied, String amount) {
        String desk = "/hullwork/payments/HP-" + payment.substring("HW-P-".length());
        world.standIns().desk(desk + "/correct", "amount=" + amount);
        world.standIns().desk(desk + "/apply", "document=" + number() + "&money=" + applied);
    }

    private static JsonNode lastPayment() {
        return record(world.jdbc()
                .sql(
                        "select number from record where kind = 'payment-in' and origin = 'source' order by id desc limit 1")
                .query(String.class)
                .single());
    }

    private static JsonNode payment(String ref) {
        return world.standIns().inkwell("/payments/" + ref);
    }

    /// Its document is open again on both sides, and it is taken back once.
    @Test
    @Order(13)
    void whatWasEnteredOnInkwellAndIsVoidThereIsTakenBackAtTheYard() {
        BigDecimal rest = openAtTheYard();
        world.standIns()
                .desk(
                        "/inkwell/books/saltmere/documents/"
                                + record(number()).get("ledgerRef").asString() + "/pay",
                        "amount=" + rest.toPlainString() + "&date=" + LocalDate.now()
                                + "&means=10&reference=mistake&account=1210");
        pull();
        awaitBack();
        long back = entered("mistake").getFirst();
        assertThat(shown(desk(), "open")).isEqualTo("0.00");
        String there = detail(back).get("document").get("ledgerRef").asString();
        world.standIns().desk("/inkwell/books/saltmere/payments/" + there + "/void", "");
        pull();
        awaitBack();
        assertThat(shown(desk(), "open")).isEqualTo(rest.toPlainString());
        assertThat(detail(back).get("document").get("state").asString()).isEqualTo("Voided");
        int batches = batches();
        pull();
        pull();
        assertThat(batches()).isEqualTo(batches);
        assertThat(detail(back).get("document").get("state").asString()).isEqualTo("Voided");
        assertThat(record(number()).get("payment").asString()).isNotEqualTo("paid");
    }

    private static BigDecimal openAtTheYard() {
        return new BigDecimal(shown(desk(), "open"));
    }

    private static int batches() {
        return world.jdbc()
                .sql("select count(*) from batch where origin = 'ledger'")
                .query(Integer.class)
                .single();
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
