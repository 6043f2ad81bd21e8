package alcabala.server.clear;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import alcabala.server.Yard;
import alcabala.server.send.YardMoney;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import tools.jackson.databind.JsonNode;

/// Cash and cheques of the yard are taken to the bank together, and everything that can happen to that.
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class BankingTest {
    private static final String TODAY = LocalDate.now().toString();
    private static World world;
    private static Api admin;
    private static Yard yard;
    private static YardMoney money;
    private static List<JsonNode> invoices;
    private static BigDecimal opening;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        admin = world.api("admin");
        yard = new Yard(admin);
        money = new YardMoney(world, yard);
        yard.mapEverything();
        opening = world.standIns().balance("1000");
        Yard.decide(admin, "yard", "PAYMENTS", "both");
        yard.map("MEANS", "48 EUR", "", "1250");
        invoices = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice")
                        && row.get("gross").asDecimal().compareTo(new BigDecimal("200")) > 0
                        && !row.get("number").asString().matches("HW-20301|HW-20388"))
                .limit(4)
                .toList();
        yard.awaitFinished(
                yard.send(invoices.stream().map(row -> row.get("id").asLong()).toList()));
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    private static JsonNode sheet() {
        return admin.get("/api/bankings/sheet?route=yard&day=" + TODAY).json();
    }

    private static List<String> waiting() {
        return sheet().get("receipts").findValuesAsString("amount");
    }

    /// The receipts of these amounts.
    private static List<Long> ids(String... amounts) {
        List<JsonNode> receipts = sheet().get("receipts").valueStream().toList();
        return List.of(amounts).stream()
                .map(amount -> receipts.stream()
                        .filter(each -> each.get("amount").asString().equals(amount))
                        .findFirst()
                        .orElseThrow()
                        .get("id")
                        .asLong())
                .toList();
    }

    private static Map<String, Object> order(List<Long> receipts, Map<String, Object> more) {
        JsonNode banking = sheet().get("banking");
        Map<String, Object> order = new HashMap<>(Map.of(
                "route",
                "yard",
                "account",
                "1000",
                "day",
                TODAY,
                "slip",
                "004 217",
                "stated",
                "",
                "difference",
                "NONE",
                "why",
                "",
                "receipts",
                receipts,
                "version",
                banking == null ? 0 : banking.get("version").asInt()));
        order.putAll(more);
        return order;
    }

    private static Api.Response bank(List<Long> receipts, Map<String, Object> more) {
        return admin.post("/api/bankings", order(receipts, more));
    }

    private static String code(Api.Response answer) {
        return answer.json().get("code").asString();
    }

    private static JsonNode send() {
        JsonNode banking = sheet().get("banking");
        long batch = yard.send(List.of(banking.get("id").asLong()));
        yard.awaitFinished(batch);
        JsonNode dispatches = yard.batch(batch).get("dispatches");
        assertThat(dispatches.findValuesAsString("outcome"))
                .as(dispatches.toString())
                .containsOnly("posted");
        return sheet().get("banking");
    }

    /// Beside what was there before all this.
    private static BigDecimal balance(String account) {
        BigDecimal now = world.standIns().balance(account);
        return account.equals("1000") ? now.subtract(opening) : now;
    }

    private static int entries() {
        return world.standIns().page("/inkwell/books/saltmere/journals").split("<tr><td><a ").length - 1;
    }

    @Test
    @Order(1)
    void whatArrivesByItselfIsNotGathered() {
        money.pay(invoices.get(0), "86.10", "10", "");
        money.pay(invoices.get(1), "50.00", "20", "");
        money.pay(invoices.get(2), "40.25", "20", "");
        money.pay(invoices.get(3), "30.00", "48", "");
        money.fetch();
        JsonNode before = sheet();
        assertThat(before.get("waiting").asString()).isEmpty();
        assertThat(before.get("receipts")).isEmpty();
        yard.map("ROLE", "RECEIPTS_AWAITING_BANKING", "", "1210");
        yard.map("MEANS", "10 EUR", "", "1210");
        yard.map("MEANS", "20 EUR", "", "1210");
        JsonNode sheet = sheet();
        assertThat(sheet.get("account").asString()).isEqualTo("1000");
        assertThat(sheet.get("together").toString()).contains("cash (10)").contains("cheque (20)");
        assertThat(sheet.get("alone").toString()).contains("bank card (48)");
        assertThat(waiting()).containsExactly("86.10", "50.00", "40.25");
        JsonNode list = admin.get("/api/bankings?route=yard").json();
        assertThat(list.get("toBank").get("count").asInt()).isEqualTo(3);
        assertThat(list.get("toBank").get("amount").asString()).isEqualTo("176.35");
        assertThat(admin.get("/api/bankings/sheet?route=yard&since=" + TODAY + "&day=" + TODAY)
                        .json()
                        .get("receipts"))
                .hasSize(3);
        JsonNode later = admin.get(
                        "/api/bankings/sheet?route=yard&day=" + LocalDate.now().plusDays(1) + "&since="
                                + LocalDate.now().plusDays(1))
                .json();
        assertThat(later.get("receipts")).isEmpty();
        assertThat(later.get("before").get("count").asInt()).isEqualTo(3);
        assertThat(admin.get("/api/bankings/sheet?route=yard&day="
                                + LocalDate.now().minusDays(1))
                        .json()
                        .get("receipts")
                        .findValuesAsString("late"))
                .containsOnly("true");
    }

    @Test
    @Order(2)
    void itIsRefusedUntilBothTotalsAgreeOrSomebodySaysWhyNot() {
        List<Long> two = ids("86.10", "50.00");
        assertThat(code(bank(List.of(), Map.of()))).isEqualTo("nothing-ticked");
        assertThat(code(bank(two, Map.of("stated", "136.11")))).isEqualTo("totals-differ");
        assertThat(code(bank(two, Map.of("stated", "136.11", "difference", "CASH"))))
                .isEqualTo("totals-differ");
        assertThat(code(bank(ids("50.00"), Map.of("stated", "50.01", "difference", "CASH", "why", "miscounted"))))
                .isEqualTo("no-cash");
        assertThat(code(bank(two, Map.of("stated", "a lot")))).isEqualTo("amount-invalid");
        assertThat(code(bank(two, Map.of("account", "4010")))).isEqualTo("bank-unknown");
        assertThat(code(bank(two, Map.of("version", 3)))).isEqualTo("banking-changed");
        assertThat(code(bank(List.of(invoices.getFirst().get("id").asLong()), Map.of())))
                .isEqualTo("receipt-unknown");
        assertThat(code(bank(two, Map.of("day", LocalDate.now().plusDays(8).toString()))))
                .isEqualTo("day-unlikely");
        assertThat(code(bank(
                        two,
                        Map.of(
                                "day",
                                LocalDate.now().minusMonths(24).minusDays(1).toString()))))
                .isEqualTo("day-unlikely");
        assertThat(bank(two, Map.of("why", "x".repeat(501))).status()).isEqualTo(400);
        List<Long> many = LongStream.rangeClosed(1, 2001).boxed().toList();
        assertThat(bank(many, Map.of()).status()).isEqualTo(400);
        assertThat(code(bank(many.subList(0, 2000), Map.of()))).isEqualTo("receipt-unknown");
        LocalDate today = LocalDate.now();
        for (LocalDate likely : List.of(today.plusDays(7), today.minusMonths(24))) {
            assertThat(admin.get("/api/bankings/sheet?route=yard&day=" + likely).status())
                    .isEqualTo(200);
        }
        for (int year : List.of(1989, today.getYear() + 2)) {
            assertThat(code(admin.get("/api/bankings?route=yard&year=" + year))).isEqualTo("year-unlikely");
        }
        for (int year : List.of(1990, today.getYear() + 1)) {
            assertThat(admin.get("/api/bankings?route=yard&year=" + year).status())
                    .isEqualTo(200);
        }
        assertThat(sheet().has("banking")).isFalse();
    }

    @Test
    @Order(3)
    void itWaitsForItsReceiptsAndIsReleasedByThem() {
        List<Long> two = ids("86.10", "50.00");
        assertThat(admin.post("/api/bankings/preview", order(two, Map.of()))
                        .json()
                        .get("findings")
                        .toString())
                .contains("which is not on the ledger yet");
        Api.Response made = bank(two, Map.of("stated", "136.10"));
        assertThat(made.status()).as(made.body()).isEqualTo(200);
        JsonNode banking = made.json().get("banking");
        assertThat(banking.get("state").asString()).isEqualTo("Blocked");
        assertThat(money.causes(banking.get("id").asLong()))
                .hasSize(2)
                .allMatch(cause -> cause.startsWith("waits-for:payment-in"));
        money.send();
        assertThat(sheet().get("banking").get("state").asString())
                .as("released by itself")
                .isEqualTo("Ready");
        assertThat(balance("1210")).isEqualByComparingTo("176.35");
        assertThat(code(bank(
                        ids("40.25"),
                        Map.of("day", LocalDate.now().minusDays(1).toString(), "version", 0, "receipts", two))))
                .isEqualTo("banked-already");
    }

    @Test
    @Order(4)
    void itArrivesAtTheBankAndOpensAgainByDayAndAccount() {
        JsonNode preview = admin.post("/api/bankings/preview", order(ids("86.10", "50.00"), Map.of()))
                .json();
        assertThat(preview.get("findings")).isEmpty();
        assertThat(preview.get("journal").findValuesAsString("account")).containsExactly("1000", "1210");
        world.standIns().fault("inkwell", "ANSWER_LOST", 1);
        JsonNode banking = send();
        assertThat(entries()).as("an answer that is lost is asked for").isEqualTo(1);
        assertThat(balance("1000")).isEqualByComparingTo("136.10");
        assertThat(balance("1210")).isEqualByComparingTo("40.25");
        assertThat(banking.get("ledgerNumber").asString())
                .isEqualTo("B1000-" + TODAY.replace("-", "").substring(2));
        assertThat(sheet().get("receipts")
                        .valueStream()
                        .filter(each -> each.get("banked").asBoolean())
                        .map(each -> each.get("amount").asString())
                        .toList())
                .containsExactly("86.10", "50.00");
        JsonNode detail = money.detail(banking.get("id").asLong());
        assertThat(detail.get("sides").get("posted").asBoolean()).isTrue();
        assertThat(detail.get("sides").get("journal").findValuesAsString("account"))
                .containsExactly("1000", "1210");
        money.fetch();
        assertThat(sheet().get("banking").get("state").asString())
                .as("what was sent is no news")
                .isEqualTo("Posted");
        assertThat(admin.get("/api/documents/" + ids("86.10").getFirst())
                        .json()
                        .get("settledBy")
                        .findValuesAsString("number"))
                .containsExactly(banking.get("number").asString());
    }

    @Test
    @Order(5)
    void foundWrongItIsCorrectedInItsPlace() {
        JsonNode posted = sheet().get("banking");
        yard.map("ROLE", "CASH_DIFFERENCE", "", "6130");
        Map<String, Object> why = Map.of("stated", "125.35", "difference", "CASH", "why", "a note of one euro short");
        assertThat(bank(ids("86.10", "40.25"), why).status()).isEqualTo(200);
        JsonNode corrected = sheet().get("banking");
        assertThat(corrected.get("id").asLong()).isEqualTo(posted.get("id").asLong());
        assertThat(corrected.get("revision").asInt()).isEqualTo(2);
        assertThat(corrected.get("state").asString()).isEqualTo("Diverged");
        assertThat(corrected.get("difference").asString()).isEqualTo("-1.00");
        assertThat(send().get("state").asString()).isEqualTo("Posted");
        assertThat(balance("1000")).isEqualByComparingTo("125.35");
        assertThat(balance("1210")).isEqualByComparingTo("50.00");
        assertThat(balance("6130")).isEqualByComparingTo("1.00");
        assertThat(entries()).isEqualTo(1);
        assertThat(waiting()).as("what it takes no more waits again").contains("50.00");
    }

    @Test
    @Order(6)
    void itIsPrinted() {
        long id = sheet().get("banking").get("id").asLong();
        String csv = admin.get("/api/bankings/" + id + "/report?as=CSV").body();
        assertThat(csv)
                .contains("004 217")
                .contains("a note of one euro short")
                .contains("6130")
                .contains("125.35");
        assertThat(admin.get("/api/bankings/" + id + "/report").body()).startsWith("%PDF");
        assertThat(admin.get("/api/bankings/report?route=yard&as=CSV").body())
                .contains("125.35")
                .contains("004 217");
        isMailed(id);
    }

    private static void isMailed(long id) {
        JsonNode mails = admin.get("/api/bankings/" + id + "/mail").json();
        assertThat(mails.get("words").get("amount").asString()).contains("125.35");
        Map<String, Object> order = new HashMap<>(Map.of(
                "recipients",
                List.of("owner@corvane.example"),
                "subject",
                mails.get("subject").asString(),
                "body",
                mails.get("body").asString(),
                "keep",
                false));
        assertThat(admin.post("/api/bankings/" + id + "/mail", order).status()).isEqualTo(200);
        Await.until("the mail is sent", () -> !world.standIns().letters().isEmpty());
        JsonNode letter = world.standIns().letters().get(0);
        assertThat(letter.get("text").asString()).contains("slip 004 217");
        assertThat(letter.get("enclosed").findValuesAsString("name"))
                .singleElement()
                .asString()
                .endsWith(".pdf");
        assertThat(world.jdbc()
                        .sql("select count(*) from trail where action = 'mailed' and record_id = :id")
                        .param("id", id)
                        .query(Integer.class)
                        .single())
                .isOne();
    }

    @Test
    @Order(7)
    void aReceiptThatIsVoidedOrTakenBackIsSaid() {
        JsonNode banked = sheet().get("receipts")
                .valueStream()
                .filter(each -> each.get("amount").asString().equals("86.10"))
                .findFirst()
                .orElseThrow();
        long batch = world.jdbc()
                .sql("select batch_id from dispatch where record_id = :id and outcome = 'posted'")
                .param("id", banked.get("id").asLong())
                .query(Long.class)
                .single();
        JsonNode undo = admin.post(
                        "/api/batches/" + batch + "/undo/preview",
                        Map.of("records", List.of(banked.get("id").asLong())))
                .json();
        assertThat(undo.get("stays").toString()).contains("uses it; take that back first");
        world.standIns().desk(YardMoney.deskOf(banked.get("number").asString()) + "/void", "");
        money.fetch();
        assertThat(sheet().get("banking").get("wrong").asInt()).isEqualTo(1);
        assertThat(admin.get("/api/bankings?route=yard").json().get("wrong").asInt())
                .isEqualTo(1);
        assertThat(admin.post("/api/bankings/preview", order(ids("86.10", "40.25"), Map.of()))
                        .json()
                        .get("findings")
                        .toString())
                .contains("was voided since");
        assertThat(bank(ids("50.00", "40.25"), Map.of("stated", "90.25")).status())
                .isEqualTo(200);
        send();
        assertThat(sheet().get("banking").get("wrong").asInt()).isZero();
        assertThat(balance("1000")).isEqualByComparingTo("90.25");
    }

    @Test
    @Order(8)
    void withdrawnItIsTakenBackThereAndItsReceiptsWaitAgain() {
        JsonNode banking = sheet().get("banking");
        String path = "/api/bankings/" + banking.get("id").asLong() + "/withdrawal";
        assertThat(code(admin.post(path, Map.of("why", "never left the safe", "version", 1))))
                .isEqualTo("banking-changed");
        Map<String, Object> order = Map.of(
                "why", "never left the safe", "version", banking.get("version").asInt());
        assertThat(admin.post(path, order).status()).isEqualTo(200);
        assertThat(code(admin.post(path, order))).isEqualTo("banking-withdrawn");
        assertThat(sheet().get("banking").get("state").asString()).isEqualTo("Diverged");
        String yesterday = LocalDate.now().minusDays(1).toString();
        Map<String, Object> otherwise = Map.of("day", yesterday, "version", 0);
        assertThat(code(bank(ids("50.00"), otherwise)))
                .as("as long as it stands there, it would be at the bank twice")
                .isEqualTo("banked-already");
        assertThat(send().get("state").asString()).isEqualTo("Voided");
        assertThat(balance("1000")).isEqualByComparingTo("0.00");
        assertThat(waiting()).contains("50.00", "40.25");
        assertThat(admin.get("/api/bankings/report?route=yard&as=CSV").body()).contains("withdrawn");
    }

    /// Where its money is, decides whether something waits; for what is not there yet, where it would go.
    @Test
    @Order(9)
    void whatWaitsThereStillDoesWhenItsMeansGoElsewhere() {
        Map<String, Object> elsewhere = Yard.row("yard", "MEANS", "20 EUR", "", "1250", 1);
        assertThat(admin.put("/api/map/row", elsewhere).status()).isEqualTo(200);
        money.pay(invoices.get(3), "7.00", "20", "");
        String ref = yard.document(invoices.get(3).get("number").asString())
                .get("ledgerRef")
                .asString();
        for (String entered : List.of("9.00 1210", "11.00 1000")) {
            String[] cells = entered.split(" ");
            world.standIns()
                    .desk(
                            "/inkwell/books/saltmere/documents/" + ref + "/pay",
                            "amount=" + cells[0] + "&date=" + TODAY + "&means=10&reference=till&account=" + cells[1]);
        }
        money.fetch();
        money.awaitBack();
        assertThat(waiting()).contains("50.00", "40.25", "9.00").doesNotContain("7.00", "11.00");
        JsonNode made =
                bank(ids("50.00", "9.00"), Map.of("stated", "59.00")).json().get("banking");
        assertThat(made.get("state").asString()).as(made.toString()).isEqualTo("Ready");
        assertThat(send().get("state").asString()).isEqualTo("Posted");
        assertThat(sheet().get("banking").get("withdrawn").asString()).isEmpty();
        assertThat(waiting()).contains("40.25");
    }

    @Test
    @Order(10)
    void inALockedPeriodNothingIsBanked() {
        LocalDate yesterday = LocalDate.now().minusDays(1);
        world.standIns().desk("/inkwell/books/saltmere/lock", "through=" + yesterday);
        yard.pullReference();
        List<Long> one = ids("40.25");
        assertThat(code(bank(one, Map.of("day", yesterday.toString(), "version", 0))))
                .isEqualTo("period-locked");
        assertThat(admin.post("/api/bankings/preview", order(one, Map.of())).status())
                .as("the day after it is open")
                .isEqualTo(200);
        world.standIns()
                .desk(
                        "/inkwell/books/saltmere/lock",
                        "through=" + LocalDate.now().minusYears(1));
        yard.pullReference();
    }

    /// What was given back from the till is not there to be banked.
    @Test
    @Order(11)
    void aRefundInCashIsTakenOutOfIt() {
        world.standIns()
                .desk(
                        "/hullwork/payments",
                        "type=REFUND&date=" + TODAY
                                + "&customer=C-1003&site=Saltmere&amount=4.00&means=10&reference=till");
        money.fetch();
        assertThat(waiting()).contains("-4.00");
        assertThat(code(bank(ids("-4.00"), Map.of())))
                .as("alone it is nothing to bank")
                .isEqualTo("nothing-to-bank");
        JsonNode preview = admin.post("/api/bankings/preview", order(ids("40.25", "-4.00"), Map.of("stated", "36.25")))
                .json();
        assertThat(preview.get("stated").asString()).isEqualTo("36.25");
        assertThat(preview.get("findings").toString()).contains("waits for refund");
    }

    @Test
    @Order(12)
    void whoeverOnlyReadsMakesNone() {
        long id = sheet().get("banking").get("id").asLong();
        Api operations = world.api("slip");
        assertThat(operations.get("/api/documents/" + id).status())
                .as("what is taken to the bank is no business of theirs")
                .isEqualTo(404);
        assertThat(operations.get("/api/documents?route=yard&limit=500").body()).doesNotContain("\"banking\"");
        Api reviewer = world.api("voss");
        assertThat(reviewer.get("/api/bankings?route=yard").status()).isEqualTo(200);
        assertThat(reviewer.post("/api/bankings", order(List.of(), Map.of())).status())
                .isEqualTo(403);
    }
}
