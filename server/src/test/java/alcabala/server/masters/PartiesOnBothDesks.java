package alcabala.server.masters;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Await;
import alcabala.server.Yard;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import tools.jackson.databind.JsonNode;

/// The same of parties, which cross both ways.
abstract class PartiesOnBothDesks extends OnBothDesks {
    @BeforeAll
    static void bothWays() {
        new Yard(ferro).mapEverything();
        assertThat(run()).doesNotContain("part");
        decide("PARTIES", "both");
    }

    static void awaitTheChecksThatNewsAskedFor() {
        Await.until(
                "the checks have run",
                () -> world.jdbc()
                                .sql("select count(*) from scheduled_tasks where task_name = 'readiness'")
                                .query(Integer.class)
                                .single()
                        == 0);
    }

    /// To nobody but us.
    static void loseTheNextAnswer() {
        awaitTheChecksThatNewsAskedFor();
        world.standIns().fault("inkwell", "ANSWER_LOST", 1);
    }

    static void atYard(String code, String field, String value) {
        world.standIns().desk("/hullwork/customers/" + code, form(field, value));
    }

    static void onLedger(String id, String field, String value) {
        world.standIns().desk("/inkwell/books/saltmere/parties/" + id, form(field, value));
    }

    /// Of an address its street, in the same place.
    static String form(String field, String value) {
        String said = value.replace("+", "%2B").replace(" ", "+");
        return field.endsWith("To")
                ? "%1$s.street=%2$s&%1$s.city=Saltmere&%1$s.postalZone=SM1&%1$s.country=IE".formatted(field, said)
                : field + "=" + said;
    }

    static String here(String code, String field) {
        return text(world.standIns().hullwork("/customers/" + code).get("customer"), field);
    }

    static String there(String id, String field) {
        return text(world.standIns().inkwell("/parties/" + id), field);
    }

    static int version(String id) {
        return world.standIns().inkwell("/parties/" + id).get("version").asInt();
    }

    static String text(JsonNode party, String field) {
        JsonNode value = party.get(field);
        return value.isObject()
                ? "%s | %s | %s | %s"
                        .formatted(
                                value.get("street").asString(),
                                value.get("city").asString(),
                                value.get("postalZone").asString(),
                                value.get("country").asString())
                : value.asString();
    }

    static List<JsonNode> asked(String code) {
        return ferro.get("/api/resolve/masters?route=yard")
                .json()
                .valueStream()
                .flatMap(cause -> cause.get("masters").valueStream())
                .filter(held -> held.get("code").asString().equals(code))
                .toList();
    }

    static JsonNode answer(String field, String answer, String typed, JsonNode held) {
        return answer(
                field,
                answer,
                typed,
                held.get("code").asString(),
                held.get("seen").asString());
    }

    static JsonNode answer(String field, String answer, String typed, String code, String seen) {
        return answer(said(field, answer, typed, code, seen));
    }

    static Map<String, Object> said(String field, String answer, String typed, String code, String seen) {
        return said("PARTIES", field, answer, typed, code, seen);
    }

    static List<String> log(String narrowed) {
        return ferro.get("/api/log?route=yard" + narrowed)
                .json()
                .get("entries")
                .valueStream()
                .map(each ->
                        each.get("way").asString() + " " + each.get("outcome").asString())
                .toList();
    }

    static String trail(String action, String code) {
        return world.jdbc()
                .sql(
                        "select string_agg(detail::text, ' ') from trail where action = :action and detail->>'party' = :code")
                .param("action", action)
                .param("code", code)
                .query(String.class)
                .single();
    }

    static void waitForPauses() {
        world.jdbc()
                .sql("update master_write set next_at = now() - interval '1 second'")
                .update();
    }
}
