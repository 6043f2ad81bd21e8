package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import tools.jackson.databind.JsonNode;

/// What is in dollars reaches books in euros, and so does the money for it; both sides book the same cents.
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class CurrencyTest {
    private static final String BOOKS = "/inkwell/books/saltmere";
    private static World world;
    private static Api admin;
    private static Yard yard;
    private static YardMoney money;
    private static String number;
    private static long id;
    private static String desk;
    private static BigDecimal gross;
    private static JsonNode credited;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        admin = world.api("admin");
        yard = new Yard(admin);
        money = new YardMoney(world, yard);
        yard.mapEverything();
        yard.map("ROLE", "EXCHANGE_DIFFERENCE", "", "6900");
        yard.map("MEANS", "30 USD", "", "1000");
        yard.map("MEANS", "30 EUR", "", "1000");
        Yard.decide(admin, "yard", "PAYMENTS", "both");
        JsonNode invoice = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice")
                        && row.get("landsIn").asString().contains(", ")
                        && row.get("gross").asDecimal().compareTo(new BigDecimal("100")) > 0
                        && !row.get("number").asString().matches("HW-20301|HW-20388"))
                .findFirst()
                .orElseThrow();
        number = invoice.get("number").asString();
        id = invoice.get("id").asLong();
        gross = invoice.get("gross").asDecimal();
        String source = admin.get("/api/documents/" + id)
                .json()
                .get("sides")
                .get("sourceDesk")
                .asString();
        desk = source.substring(source.indexOf("/hullwork"));
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    private static List<String> causes() {
        return admin.get("/api/documents/" + id + "/why").json().get("findings").findValuesAsString("cause");
    }

    private static JsonNode send(List<Long> ids) {
        Api.Response sent = Yard.trySend(admin, Map.of("route", "yard", "ids", ids));
        assertThat(sent.status()).as(sent.body()).isEqualTo(200);
        long batch = sent.json().get("id").asLong();
        yard.awaitFinished(batch);
        return yard.batch(batch).get("batch");
    }

    /// What we said a record would cause in euros, by account, when it went last.
    private static Map<String, BigDecimal> expected(long record) {
        Map<String, BigDecimal> booked = new TreeMap<>();
        world.jdbc()
                .sql("""
                select account, sum(base_amount) / 100.0 as amount from posting_line
                where posting_id = (select max(posting_id) from posting_record where record_id = :id) group by account""")
                .param("id", record)
                .query((row, n) -> booked.put(
                        row.getString("account"), row.getBigDecimal("amount").setScale(2)))
                .list();
        booked.values().removeIf(amount -> amount.signum() == 0);
        return booked;
    }

    /// What the ledger booked, by account.
    private static Map<String, BigDecimal> booked(String path) {
        Map<String, BigDecimal> booked = new TreeMap<>();
        world.standIns()
                .inkwell(path)
                .get("journal")
                .forEach(line -> booked.merge(
                        line.get("account").asString(),
                        line.get("debit")
                                .asDecimal()
                                .subtract(line.get("credit").asDecimal())
                                .setScale(2),
                        BigDecimal::add));
        return booked;
    }

    @Test
    @Order(1)
    void aLedgerOfOneCurrencyIsOneCause() {
        world.standIns().desk(BOOKS + "/settings/multi-currency", "on=false");
        yard.pullReference();
        world.standIns().desk(desk + "/currency", "currency=USD&rate=");
        money.fetch();
        assertThat(causes()).containsExactly("currency-unavailable:USD");
        world.standIns().desk(BOOKS + "/settings/multi-currency", "on=true");
        yard.pullReference();
        assertThat(causes()).as("its day has a rate there").isEmpty();
    }

    @Test
    @Order(2)
    void aBatchIsOfOneCurrency() {
        long other = yard.documents("Ready").stream()
                .filter(row -> row.get("id").asLong() != id)
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        assertThat(admin.post("/api/batches/preview", Map.of("route", "yard", "ids", List.of(id, other)))
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("mixed-batch");
        JsonNode own =
                admin.post("/api/batches/preview", Map.of("route", "yard")).json();
        assertThat(own.get("currency").asString()).isEqualTo("EUR");
        JsonNode dollars = admin.post("/api/batches/preview", Map.of("route", "yard", "currency", "USD"))
                .json();
        assertThat(dollars.get("currency").asString() + " "
                        + dollars.get("count").asInt())
                .isEqualTo("USD 1");
        assertThat(dollars.get("gross").asDecimal()).isEqualByComparingTo(gross);
        assertThat(admin.post("/api/batches/preview", Map.of("route", "yard", "currency", "usd"))
                        .status())
                .isEqualTo(400);
        JsonNode road = admin.get("/api/road?route=yard").json().get("readySums");
        JsonNode waiting = admin.get("/api/waiting")
                .json()
                .valueStream()
                .filter(each -> each.get("route").asString().equals("yard"))
                .findFirst()
                .orElseThrow()
                .get("ready")
                .get("gross");
        assertThat(waiting).as("nothing adds up what is in two currencies").isEqualTo(road);
        assertThat(road.findValuesAsString("currency")).containsExactly("EUR", "USD");
        assertThat(road.get(0).get("amount")).isEqualTo(own.get("gross"));
        assertThat(road.get(1).get("amount").asDecimal()).isEqualByComparingTo(gross);
    }

    @Test
    @Order(3)
    void aDocumentIsBookedAtItsRateAndBothSidesAgree() {
        world.standIns().desk(desk + "/currency", "currency=USD&rate=0.91235");
        money.fetch();
        JsonNode journal = admin.get("/api/documents/" + id + "/why").json().get("journal");
        assertThat(journal.get("currency").asString() + journal.get("base").asString())
                .isEqualTo("USDEUR");
        assertThat(journal.get("rate").asString()).isEqualTo("0.91235");
        JsonNode batch = send(List.of(id));
        assertThat(batch.get("currency").asString()).isEqualTo("USD");
        assertThat(batch.get("posted").asInt()).isEqualTo(1);
        JsonNode row = yard.document(number);
        assertThat(row.get("state").asString()).isEqualTo("Posted");
        Map<String, BigDecimal> expected = expected(id);
        assertThat(expected.get("1100"))
                .isEqualByComparingTo(
                        gross.multiply(new BigDecimal("0.91235")).setScale(2, java.math.RoundingMode.HALF_UP));
        assertThat(expected.values().stream().reduce(BigDecimal.ZERO, BigDecimal::add))
                .isEqualByComparingTo("0.00");
        assertThat(booked("/documents/" + row.get("ledgerRef").asString())).isEqualTo(expected);
        JsonNode counted = admin.get("/api/connect/counts?route=yard")
                .json()
                .valueStream()
                .filter(each -> each.get("name").asString().equals("Sales posted in EUR, gross"))
                .findFirst()
                .orElseThrow();
        assertThat(counted.get("source").asString() + " "
                        + counted.get("ledger").asString())
                .as("the old invoice there, and no dollars")
                .isEqualTo("0.00 318.20");
    }

    private static String deskOf(JsonNode row) {
        String source = admin.get("/api/documents/" + row.get("id").asLong())
                .json()
                .get("sides")
                .get("sourceDesk")
                .asString();
        return source.substring(source.indexOf("/hullwork"));
    }

    @Test
    @Order(5)
    void aCreditNoteWaitsForItsInvoiceAndTakesItsRate() {
        JsonNode credit = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("credit-note"))
                .findFirst()
                .orElseThrow();
        String creditNumber = credit.get("number").asString();
        long creditId = credit.get("id").asLong();
        String invoiceNumber =
                world.jdbc().sql("""
                select v.content->>'precedingNumber' from record d join record_revision v on v.id = d.revision_id where d.id = :id""").param("id", creditId).query(String.class).single();
        JsonNode invoice = yard.document(invoiceNumber);
        assertThat(invoice.get("state").asString()).isEqualTo("Ready");
        world.standIns().desk(deskOf(invoice) + "/currency", "currency=USD&rate=0.8125");
        world.standIns().desk(deskOf(credit) + "/currency", "currency=USD&rate=");
        money.fetch();
        assertThat(yard.document(creditNumber).get("cause").asString()).isEqualTo("waits-for:invoice " + invoiceNumber);
        send(List.of(invoice.get("id").asLong()));
        assertThat(yard.document(creditNumber).get("state").asString())
                .as("released by itself")
                .isEqualTo("Ready");
        JsonNode journal =
                admin.get("/api/documents/" + creditId + "/why").json().get("journal");
        assertThat(journal.get("rate").asString() + " "
                        + journal.get("rateOrigin").asString())
                .isEqualTo("0.8125 INVOICE");
        send(List.of(creditId));
        JsonNode posted = yard.document(creditNumber);
        assertThat(posted.get("state").asString()).isEqualTo("Posted");
        assertThat(booked("/documents/" + posted.get("ledgerRef").asString())).isEqualTo(expected(creditId));
        credited = yard.document(invoiceNumber);
    }

    @Test
    @Order(6)
    void whatIsPaidThereInDollarsComesBackInDollars() {
        world.standIns()
                .desk(
                        BOOKS + "/documents/" + credited.get("ledgerRef").asString() + "/pay",
                        "amount=20.00&date=" + LocalDate.now() + "&means=30&reference=dollars&account=1000");
        money.fetch();
        yard.awaitFinished(world.jdbc()
                .sql("select max(id) from batch where origin = 'ledger'")
                .query(Long.class)
                .single());
        assertThat(world.jdbc().sql("""
                select d.number || ' ' || d.currency || ' ' || d.gross || ' ' || d.state from record d
                join record_revision v on v.id = d.revision_id
                where d.origin = 'ledger' and v.content->>'reference' = 'dollars'""").query(String.class).list())
                .singleElement(org.assertj.core.api.InstanceOfAssertFactories.STRING)
                .matches("HW-P-\\d+ USD 2000 Posted");
        assertThat(world.standIns().page("/hullwork/payments")).contains("USD").doesNotContain("EUR 20.00");
    }

    @Test
    @Order(7)
    void moneyOnAccountThatIsAppliedLaterRelievesItsInvoiceAtTheRateOfThat() {
        world.standIns()
                .desk(
                        "/hullwork/payments",
                        "type=PAYMENT&date=" + LocalDate.now() + "&customer=" + money.party(credited)
                                + "&currency=USD&amount=10.00&means=30");
        money.fetch();
        String payment = money.newest();
        long paid = yard.document(payment).get("id").asLong();
        send(List.of(paid));
        String there = "/payments/" + yard.document(payment).get("ledgerRef").asString();
        assertThat(booked(there)).isEqualTo(expected(paid)).doesNotContainKey("6900");
        world.standIns()
                .desk(
                        YardMoney.deskOf(payment) + "/apply",
                        "document=" + credited.get("number").asString() + "&money=10.00");
        money.fetch();
        send(List.of(paid));
        assertThat(booked(there)).isEqualTo(expected(paid)).containsKey("6900");
        money.fetch();
        assertThat(yard.document(payment).get("state").asString()).isEqualTo("Posted");
    }

    /// 12.30 at 0.91234 is 11.22, three times 33.66; the invoice came to 33.67.
    @Test
    @Order(8)
    void theLastOfSeveralCreditNotesTakesTheRest() {
        JsonNode invoice =
                yard.document(world.jdbc().sql("""
                        select d.number from record d join record_revision v on v.id = d.revision_id
                        where d.state = 'Ready' and d.kind = 'invoice' and json_array_length(v.content->'lines') < 6
                            and v.content->>'priceMode' = 'NET' and v.content->'lines'->0->'tax'->0->>'code' = 'V23'
                            and json_array_length(v.content->'allowancesAndCharges') = 0
                        order by d.id limit 1""").query(String.class).single());
        world.standIns()
                .desk(
                        deskOf(invoice) + "/edit",
                        "number=" + invoice.get("number").asString() + "&date=" + LocalDate.now()
                                + "&quantity=3&unitPrice=10.00" + "&quantity=1&unitPrice=0.00".repeat(5));
        world.standIns().desk(deskOf(invoice) + "/currency", "currency=USD&rate=0.91234");
        money.fetch();
        long invoiceId = invoice.get("id").asLong();
        send(List.of(invoiceId));
        for (int i = 0; i < 3; i++) {
            world.standIns().desk(deskOf(invoice) + "/credit", "line=1&quantity=1");
        }
        money.fetch();
        List<Long> credits = world.jdbc()
                .sql("select id from record where number ~ 'HC-30\\d\\d\\d' order by id")
                .query(Long.class)
                .list();
        assertThat(credits).hasSize(3);
        send(credits);
        Map<String, BigDecimal> left = new HashMap<>(expected(invoiceId));
        assertThat(left.get("1100")).isEqualByComparingTo("33.67");
        for (long credit : credits) {
            JsonNode posted = admin.get("/api/documents/" + credit).json();
            String ref = posted.get("document").get("ledgerRef").asString();
            assertThat(booked("/documents/" + ref)).isEqualTo(expected(credit));
            left.merge("1100", expected(credit).get("1100"), BigDecimal::add);
        }
        assertThat(left.get("1100")).isEqualByComparingTo("0.00");
    }

    private static long settle(String form) {
        world.standIns().desk("/hullwork/payments", "type=PAYMENT&date=" + LocalDate.now() + "&means=30&" + form);
        money.fetch();
        return yard.document(money.newest()).get("id").asLong();
    }

    @Test
    @Order(9)
    void eurosForAnInvoiceInDollarsAndDollarsForOneInEurosSayBothAmounts() {
        String dollars = "customer=" + money.party(credited) + "&document="
                + credited.get("number").asString();
        long unsaid = settle(dollars + "&currency=EUR&amount=10.00&money=10.00");
        assertThat(money.causes(unsaid)).containsExactly("currency-differs");
        world.standIns().desk(YardMoney.deskOf(money.newest()) + "/void", "");
        long paid = settle(dollars + "&currency=EUR&amount=10.00&money=10.00&worth=12.00");
        send(List.of(paid));
        Map<String, BigDecimal> expected = expected(paid);
        assertThat(expected)
                .containsEntry("1100", new BigDecimal("-9.75"))
                .containsEntry("6900", new BigDecimal("-0.25"));
        String payment = money.newest();
        JsonNode there = world.standIns()
                .inkwell("/payments/" + yard.document(payment).get("ledgerRef").asString());
        assertThat(booked("/payments/" + there.get("id").asString())).isEqualTo(expected);
        assertThat(there.get("allocations").get(0).get("worth").asDecimal()).isEqualByComparingTo("12.00");
        JsonNode line = money.detail(paid).get("sides").get("lines").get(0);
        assertThat(line.toString()).contains("US$12.00 of it", ", 12.00 of it");
        money.fetch();
        assertThat(yard.document(payment).get("state").asString()).isEqualTo("Posted");

        JsonNode euros = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice"))
                .findFirst()
                .orElseThrow();
        send(List.of(euros.get("id").asLong()));
        long other = settle("customer=" + money.party(euros) + "&document="
                + euros.get("number").asString() + "&currency=USD&amount=10.00&money=10.00&worth=8.00");
        send(List.of(other));
        assertThat(booked("/payments/"
                        + yard.document(money.newest()).get("ledgerRef").asString()))
                .isEqualTo(expected(other))
                .containsEntry("1100", new BigDecimal("-8.00"));
        assertThat(money.there(yard.document(euros.get("number").asString()))
                        .get("paid")
                        .asDecimal())
                .isEqualByComparingTo("8.00");
    }

    /// As of an invoice that was found there and linked: nothing went there from here, so that its rate is the
    /// ledger's.
    @Test
    @Order(10)
    void whatDidNotGoThereFromHereStandsAtTheRateThatTheLedgerSays() {
        String database = world.jdbc()
                .sql("select current_database()")
                .query(String.class)
                .single();
        // What was frozen is never taken away; only whoever goes round the rules of the database can make it look so.
        World.execute(
                database,
                "set session_replication_role = replica; delete from posting_record where record_id = "
                        + credited.get("id").asLong());
        long paid = settle("customer=" + money.party(credited) + "&document="
                + credited.get("number").asString() + "&currency=EUR&amount=5.00&money=5.00&worth=4.00");
        send(List.of(paid));
        assertThat(booked("/payments/"
                        + yard.document(money.newest()).get("ledgerRef").asString()))
                .isEqualTo(expected(paid))
                .containsEntry("1100", new BigDecimal("-3.25"));
    }

    @Test
    @Order(11)
    void eurosThatAreEnteredThereForDollarsComeBackWithBothAmounts() {
        String document = credited.get("number").asString();
        world.standIns()
                .desk(
                        BOOKS + "/documents/" + credited.get("ledgerRef").asString() + "/pay",
                        "amount=6.00&date=" + LocalDate.now()
                                + "&means=30&reference=exchanged&account=1000&currency=EUR&worth=7.00");
        money.fetch();
        money.awaitBack();
        assertThat(money.entered("exchanged")).hasSize(1);
        assertThat(world.standIns().page("/hullwork/payments")).contains(document + " 6.00 for USD 7.00");
        money.fetch();
        assertThat(money.detail(money.entered("exchanged").getFirst())
                        .get("sides")
                        .toString())
                .contains("US$7.00 of it");
    }

    private static long pay(BigDecimal amount, int nth) {
        world.standIns()
                .desk(desk + "/payments", "amount=" + amount + "&date=" + LocalDate.now() + "&means=30&reference=wire");
        money.fetch();
        JsonNode payment = yard.document("HW-P-" + (1000 + nth));
        assertThat(payment.get("state").asString()).as(payment.toString()).isEqualTo("Ready");
        send(List.of(payment.get("id").asLong()));
        JsonNode posted = yard.document("HW-P-" + (1000 + nth));
        assertThat(posted.get("state").asString()).isEqualTo("Posted");
        assertThat(booked("/payments/" + posted.get("ledgerRef").asString()))
                .isEqualTo(expected(payment.get("id").asLong()));
        return payment.get("id").asLong();
    }

    @Test
    @Order(4)
    void moneyRelievesItAtItsOwnRateAndTheLastTakesTheRest() {
        Map<String, BigDecimal> left = new HashMap<>(expected(id));
        BigDecimal third = gross.divide(new BigDecimal("3"), 2, java.math.RoundingMode.DOWN);
        for (int i = 1; i <= 3; i++) {
            BigDecimal amount = i < 3 ? third : gross.subtract(third).subtract(third);
            Map<String, BigDecimal> payment = expected(pay(amount, i));
            left.merge("1100", payment.get("1100"), BigDecimal::add);
            assertThat(payment).as("the dollar is worth another thing today").containsKey("6900");
        }
        assertThat(left.get("1100")).as("what the customer owes in euros").isEqualByComparingTo("0.00");
        money.fetch();
        assertThat(world.standIns()
                        .inkwell("/documents/"
                                + yard.document(number).get("ledgerRef").asString())
                        .get("basePaid")
                        .asDecimal())
                .isEqualByComparingTo(expected(id).get("1100"));
        assertThat(yard.document(number).get("payment").asString()).isEqualTo("paid");
    }
}
