package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import tools.jackson.databind.JsonNode;

/// Documents that stand on both sides, changed on either at the desks, and what is done about it.
abstract class OnBothSides {
    protected static World world;
    protected static Api admin;
    protected static Yard yard;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        admin = world.api("admin");
        yard = new Yard(admin);
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    /// One that failed leaves no fault to those after it.
    @AfterEach
    void allAnswersAgain() {
        world.standIns().fault("inkwell", "NONE", 0);
    }

    protected static LocalDate day(Posted posted) {
        return LocalDate.parse(onLedger(posted).get("date").asString());
    }

    protected static void redate(Posted posted, LocalDate day) {
        world.standIns()
                .redateOnHullwork("/hullwork/documents/" + posted.number().replace("HW-", "d-"), day);
    }

    protected record Posted(long id, String number, String ledgerRef) {
        String desk() {
            return "/inkwell/books/saltmere/documents/" + ledgerRef;
        }
    }

    protected static Posted post() {
        return post(row -> true);
    }

    protected static Posted post(Predicate<JsonNode> which) {
        JsonNode row = yard.documents("Ready").stream()
                .filter(which)
                .filter(each -> each.get("kind").asString().equals("invoice"))
                .filter(each -> !each.get("number").asString().matches("HW-20388|HW-20301"))
                .findFirst()
                .orElseThrow();
        long id = row.get("id").asLong();
        String number = row.get("number").asString();
        yard.awaitFinished(yard.send(List.of(id)));
        return new Posted(id, number, yard.document(number).get("ledgerRef").asString());
    }

    protected static JsonNode fetch() {
        return admin.post("/api/pull?route=yard", Map.of()).json();
    }

    protected static void editOnSource(Posted posted, String price) {
        world.standIns().editOnHullwork("/hullwork/documents/" + posted.number().replace("HW-", "d-"), price);
    }

    protected static void editOnLedger(Posted posted, String amount) {
        world.standIns().desk(posted.desk() + "/edit", edit(posted, amount));
    }

    protected static String edit(Posted posted, String amount) {
        JsonNode there = onLedger(posted);
        StringBuilder form = new StringBuilder("version=" + there.get("version").asInt() + "&due="
                + there.get("due").asString() + "&amount=" + amount);
        for (int i = 1; i < there.get("lines").size(); i++) {
            form.append("&amount=")
                    .append(there.get("lines").get(i).get("amount").asDecimal().toPlainString());
        }
        return form.toString();
    }

    protected static Api.Response settlement(Posted posted, String winner) {
        return settlement(posted, winner, since(posted, "ledgerVersion").asInt());
    }

    protected static Api.Response settlement(Posted posted, String winner, int seen) {
        return admin.post(
                "/api/documents/" + posted.id() + "/settlement", Map.of("winner", winner, "ledgerVersion", seen));
    }

    protected static void settle(Posted posted, String winner) {
        Api.Response answer = settlement(posted, winner);
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
        if (answer.json().has("batch")) {
            yard.awaitFinished(answer.json().get("batch").asLong());
        }
    }

    protected static void awaitSettled(Posted posted) {
        Await.until("it is posted again", () -> state(posted).equals("Posted"));
    }

    protected static String state(Posted posted) {
        return yard.document(posted.number()).get("state").asString();
    }

    protected static String since(Posted posted) {
        return since(posted, "changedOnSource").asBoolean() + " "
                + since(posted, "changedOnLedger").asBoolean();
    }

    protected static JsonNode since(Posted posted, String what) {
        return admin.get("/api/documents/" + posted.id())
                .json()
                .get("sides")
                .get("since")
                .get(what);
    }

    /// What the trail keeps of a deed, each time that it was done.
    protected static List<String> told(Posted posted, String action, String detail) {
        return admin.get("/api/documents/" + posted.id() + "/trail")
                .json()
                .valueStream()
                .filter(entry -> entry.get("action").asString().equals(action))
                .map(entry -> entry.get("detail").path(detail).toString())
                .toList();
    }

    protected static BigDecimal grossOnSource(Posted posted) {
        return yard.document(posted.number()).get("gross").asDecimal();
    }

    protected static JsonNode onLedger(Posted posted) {
        return world.standIns().inkwell("/documents/" + posted.ledgerRef());
    }

    protected static void assertStandsOnce(Posted posted) {
        assertThat(world.standIns().postedReferences())
                .filteredOn(each -> each.endsWith(posted.number().replace("HW-", "d-")))
                .hasSize(1);
    }

    protected static String said(Posted posted) {
        return yard.document(posted.number()).get("sentence").asString();
    }

    protected static int timesSent(Posted posted) {
        return world.jdbc()
                .sql("select count(*) from dispatch where record_id = :id")
                .param("id", posted.id())
                .query(Integer.class)
                .single();
    }

    protected static JsonNode preview(String value) {
        return admin.get("/api/settings/preview?route=yard&setting=INVOICES_WINNER&value=" + value)
                .json();
    }

    protected static int onTheirWay() {
        return world.jdbc()
                .sql("select count(*) from record where outcome in ('queued', 'sending', 'unconfirmed')")
                .query(Integer.class)
                .single();
    }

    protected static void decide(String setting, String value) {
        Yard.decide(admin, "yard", setting, value);
    }
}
