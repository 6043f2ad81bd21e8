package alcabala.server.cutover;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Ellery;
import alcabala.server.World;
import alcabala.server.Yard;
import alcabala.server.send.YardMoney;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import tools.jackson.databind.JsonNode;

/// What was open at the yard was entered on Inkwell by hand, before there was anything between the two.
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class CutOverSidesTest {
    private static final LocalDate DAY = LocalDate.now().minusDays(60);
    private static World world;
    private static Api admin;
    private static YardMoney money;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        admin = world.api("admin");
        Yard yard = new Yard(admin);
        money = new YardMoney(world, yard);
        world.standIns().desk("/inkwell/books/saltmere/taken-over", "on=" + DAY);
        yard.mapEverything();
        yard.map("ROLE", "CUSTOMER_ADVANCES", "", "2300");
        for (String kind : List.of("INVOICES", "CREDIT_NOTES")) {
            Yard.decide(admin, "yard", kind + "_CUT_OFF", DAY.plusDays(1).toString());
        }
        money.fetch();
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    private static Api.Response ask(LocalDate day) {
        return admin.post("/api/cut-over", Map.of("route", "yard", "day", day.toString()));
    }

    private static JsonNode sheet() {
        return admin.get("/api/cut-over?route=yard").json().get("cutOver");
    }

    private static List<JsonNode> rows(String standing) {
        return sheet().get("rows")
                .valueStream()
                .filter(row -> row.get("standing").asString().equals(standing))
                .toList();
    }

    private static JsonNode pair(JsonNode here, JsonNode there) {
        return admin.post(
                        "/api/cut-over/pairs",
                        Map.of(
                                "route",
                                "yard",
                                "pairs",
                                List.of(Map.of(
                                        "record",
                                        here.get("here").get("record").asLong(),
                                        "there",
                                        there.get("there").get("ref").asString()))))
                .json();
    }

    private static JsonNode apart(JsonNode row) {
        return apart("yard", row.get("here").get("record").asLong());
    }

    private static JsonNode apart(String route, long record) {
        return admin.post("/api/cut-over/pairs/apart", Map.of("route", route, "records", List.of(record)))
                .json();
    }

    private static String state(JsonNode row) {
        return money.state(row.get("here").get("number").asString());
    }

    private static BigDecimal sum(Stream<JsonNode> amounts) {
        return amounts.map(JsonNode::asDecimal).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    @Test
    @Order(1)
    void bothSidesAreComparedAndEveryCentOfTheDifferenceHasItsReason() {
        assertThat(sheet()).as("never asked for").isNull();
        assertThat(admin.post("/api/cut-over/pairs", Map.of("route", "yard", "pairs", List.of()))
                        .status())
                .isEqualTo(409);
        assertThat(ask(LocalDate.now().plusDays(1)).status()).isEqualTo(422);
        assertThat(ask(LocalDate.now().minusYears(20).minusDays(1)).status()).isEqualTo(422);
        world.standIns().fault("inkwell", "UNAVAILABLE", 0);
        assertThat(ask(DAY).status()).as("it does not answer").isGreaterThan(400);
        world.standIns().fault("inkwell", "NONE", 0);
        assertThat(sheet()).isNull();

        JsonNode sheet = ask(DAY).json();
        assertThat(sheet.get("counts").get("doubtful").asInt()).isPositive();
        assertThat(sheet.get("counts").get("onlyThere").asInt()).isOne();
        assertThat(sheet.get("counts").get("certain").asInt()).isGreaterThan(20);
        JsonNode receivables = sheet.get("balances").get(0);
        assertThat(receivables.get("role").asString()).isEqualTo("RECEIVABLES_CONTROL");
        assertThat(receivables.get("there").asDecimal())
                .as("nothing later is on the account")
                .isEqualByComparingTo(world.standIns().balance("1100"));
        assertThat(sum(receivables.get("parts").valueStream().map(part -> part.get("amount"))))
                .isEqualByComparingTo(receivables.get("difference").asDecimal());
        assertThat(receivables.get("difference").asDecimal())
                .isEqualByComparingTo(receivables
                        .get("here")
                        .asDecimal()
                        .subtract(receivables.get("there").asDecimal()));
        assertThat(sheet.get("balances").findValuesAsString("role"))
                .as("payables have no account on this route")
                .containsExactly("RECEIVABLES_CONTROL", "CUSTOMER_ADVANCES");
        assertThat(sum(rows("ONLY_HERE").stream().map(row -> row.get("here").get("open"))))
                .as("credit notes are negative")
                .isEqualByComparingTo(part(receivables, "only-here"));
    }

    private static BigDecimal part(JsonNode balance, String what) {
        return balance.get("parts")
                .valueStream()
                .filter(part -> part.get("what").asString().equals(what))
                .findFirst()
                .orElseThrow()
                .get("amount")
                .asDecimal();
    }

    @Test
    @Order(2)
    void whatIsCertainIsPairedAtOnceAndWhatIsDoubtfulByAPerson() {
        int certain = sheet().get("counts").get("certain").asInt();
        JsonNode first = rows("CERTAIN").getFirst();
        long documents = counted();
        JsonNode done = admin.post("/api/cut-over/pairs", Map.of("route", "yard", "pairs", List.of()))
                .json();
        assertThat(done.get("done").asInt()).isEqualTo(certain);
        assertThat(sheet().get("counts").get("linked").asInt()).isEqualTo(certain);
        assertThat(counted()).as("nothing was sent").isEqualTo(documents);

        JsonNode paired = money.yard().document(first.get("here").get("number").asString());
        assertThat(paired.get("state").asString()).isEqualTo("Posted");
        assertThat(paired.get("ledgerRef").asString())
                .isEqualTo(first.get("there").get("ref").asString());
        assertThat(world.jdbc()
                        .sql("select count(*) from finding where record_id = :id")
                        .param("id", paired.get("id").asLong())
                        .query(Long.class)
                        .single())
                .as("what kept it from crossing does so no more")
                .isZero();
        JsonNode again = pair(first, first);
        assertThat(again.get("done").asInt()).isZero();
        assertThat(again.get("reasons").get(0).asString()).contains("stands for another document");

        JsonNode doubtful = rows("DOUBTFUL").stream()
                .filter(row -> row.get("differs").toString().contains("GROSS"))
                .findFirst()
                .orElseThrow();
        assertThat(pair(doubtful, doubtful).get("done").asInt()).isOne();
        JsonNode credit = rows("ONLY_HERE").stream()
                .filter(row -> row.get("kind").asString().equals("credit-note"))
                .findFirst()
                .orElseThrow();
        assertThat(pair(credit, rows("ONLY_THERE").getFirst())
                        .get("reasons")
                        .get(0)
                        .asString())
                .contains("they cannot be the same");
    }

    private static long counted() {
        return world.standIns().inkwell("/counts").get("documents").asLong();
    }

    /// It would have stayed an open credit otherwise.
    @Test
    @Order(3)
    void whatSettlesAPairedDocumentCrosses() {
        JsonNode row = rows("LINKED").get(2);
        JsonNode document = money.yard().document(row.get("here").get("number").asString());
        Yard.decide(admin, "yard", "PAYMENTS", "both");
        money.yard().map("MEANS", "30 EUR", "", "1000");
        money.yard()
                .map(
                        "PARTY",
                        money.party(document),
                        money.there(document).get("party").asString(),
                        "");
        money.pay(document, row.get("here").get("open").asString(), "30", "");
        money.fetch();
        money.send();
        assertThat(money.there(document).get("paid").asDecimal())
                .isEqualByComparingTo(row.get("here").get("open").asDecimal());
        assertThat(apart(row).get("reasons").get(0).asString()).contains("take that back first");
    }

    @Test
    @Order(4)
    void aPairIsTakenApartAsIfItHadNeverBeen() {
        JsonNode row = rows("LINKED").getLast();
        long record = row.get("here").get("record").asLong();
        assertThat(apart("harbour", record).get("reasons").get(0).asString())
                .as("another route has nothing to say about it")
                .contains("on this route");
        assertThat(apart("yard", -1).get("reasons").get(0).asString()).contains("on this route");
        assertThat(apart(row).get("done").asInt()).isOne();
        assertThat(state(row)).isEqualTo("Blocked");
        assertThat(money.causes(row.get("here").get("record").asLong())).contains("before-cut-off");
        assertThat(apart(row).get("reasons").get(0).asString()).contains("not paired at cut-over");
        assertThat(pair(row, row).get("done").asInt()).isOne();
        assertThat(state(row)).isEqualTo("Posted");
    }

    @Test
    @Order(5)
    void aChangeOnEitherSideIsSeenAsOfAnyOther() {
        JsonNode row = rows("LINKED").get(4);
        JsonNode document = money.yard().document(row.get("here").get("number").asString());
        world.standIns().editOnHullwork(money.desk(document), "1.00");
        money.fetch();
        assertThat(state(row)).isEqualTo("Diverged");
        assertThat(money.causes(document.get("id").asLong()))
                .as("and it does not go there by itself")
                .contains("before-cut-off");

        Yard.decide(admin, "yard", "INVOICES_CUT_OFF", "");
        money.yard()
                .map(
                        "PARTY",
                        money.party(document),
                        money.there(document).get("party").asString(),
                        "");
        long batch = money.yard().send(List.of(document.get("id").asLong()));
        money.yard().awaitFinished(batch);
        assertThat(state(row))
                .as("in the place of what stood there: %s", money.yard().batch(batch))
                .isEqualTo("Posted");
        assertThat(money.there(document).get("gross").asDecimal())
                .isEqualByComparingTo(money.yard()
                        .document(row.get("here").get("number").asString())
                        .get("gross")
                        .asDecimal());
    }

    @Test
    @Order(6)
    void beforeAnythingWasOpenBothSidesAgree() {
        JsonNode sheet = ask(LocalDate.now().minusYears(20)).json();
        assertThat(sheet.get("rows")).isEmpty();
        assertThat(sheet.get("balances").findValuesAsString("difference")).containsOnly("0.00");
    }

    @Test
    @Order(7)
    void aLedgerOfFilesIsNotAsked() {
        Ellery ellery = new Ellery(world);
        Map<String, Object> order = new HashMap<>(Map.of("route", Ellery.ROUTE, "day", DAY.toString()));
        Api.Response no = ellery.api().post("/api/cut-over", order);
        assertThat(no.json().get("code").asString()).isEqualTo("ledger-tells-nothing");
    }
}
