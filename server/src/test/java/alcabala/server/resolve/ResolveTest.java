package alcabala.server.resolve;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// What was sent and does not stand as it should, by cause.
class ResolveTest {
    private static World world;
    private static Yard yard;
    private static Api ferro;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        ferro = world.api("ferro");
        yard = new Yard(ferro);
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    private static JsonNode held() {
        Api.Response held = ferro.get("/api/resolve?route=yard");
        assertThat(held.status()).as(held.body()).isEqualTo(200);
        return held.json();
    }

    private static int onTheRoad() {
        return ferro.get("/api/road?route=yard").json().get("held").asInt();
    }

    private static List<String> causes() {
        return held().get("causes").findValuesAsString("cause");
    }

    private static JsonNode cause(String cause) {
        return held().get("causes")
                .valueStream()
                .filter(each -> each.get("cause").asString().equals(cause))
                .findFirst()
                .orElseThrow();
    }

    private static void fetch() {
        ferro.post("/api/pull?route=yard", Map.of());
    }

    @Test
    void whatIsHeldIsGroupedByItsCauseLongestAndDearestFirst() {
        assertThat(held().get("count").asInt()).isZero();
        assertThat(causes()).isEmpty();
        List<JsonNode> ready = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice"))
                .filter(row -> !row.get("number").asString().matches("HW-20388|HW-20301"))
                .limit(3)
                .toList();
        List<Long> ids = ready.stream().map(row -> row.get("id").asLong()).toList();
        yard.awaitFinished(yard.send(ids.subList(0, 2)));
        assertThat(held().get("count").asInt()).as("all is well").isZero();

        JsonNode sides = editedOnInkwell(ids.getFirst());
        assertThat(causes()).containsExactly("changed-there");
        JsonNode there = cause("changed-there");
        assertThat(there.get("days").asInt()).isOne();
        assertThat(there.get("sums").get(0).get("amount").asString())
                .isEqualTo(ready.getFirst().get("gross").asString());
        assertThat(there.get("records").get(0).get("ledgerVersion").asInt())
                .isEqualTo(sides.get("since").get("ledgerVersion").asInt());
        editedOnHullwork(ids.get(1));
        assertThat(causes()).containsExactlyInAnyOrder("changed-there", "changed-here");
        assertThat(onTheRoad()).isEqualTo(2);
        editedOnHullwork(ids.getFirst());
        assertThat(causes()).containsExactlyInAnyOrder("changed-both", "changed-here");

        theLongestAndDearestComesFirst();
        refusedAndPutRight(ids.get(2));
        whatWasNotReachedWaitsHereToo();
        settled(ids.getFirst());
        leftAloneAndLookedAfterAgain(ids.get(1));
    }

    /// One is made thirty days older than it is.
    private static void theLongestAndDearestComesFirst() {
        assertThat(held().get("causes").get(0).get("days").asInt()).isOne();
        world.jdbc()
                .sql("update link set seen_at = seen_at - interval '30 days'")
                .update();
        assertThat(causes()).containsExactly("changed-both", "changed-here");
        assertThat(cause("changed-both").get("days").asInt()).isEqualTo(31);
        world.jdbc()
                .sql("update link set seen_at = seen_at + interval '30 days'")
                .update();
    }

    private static void refusedAndPutRight(long id) {
        String lock = "/inkwell/books/saltmere/lock";
        String before = world.jdbc()
                .sql("select locked_through::text from ledger where name = 'Inkwell' order by id limit 1")
                .query(String.class)
                .single();
        world.standIns().desk(lock, "through=" + LocalDate.now());
        yard.awaitFinished(yard.send(List.of(id)));
        JsonNode refused = cause("refused:period-locked");
        assertThat(refused.get("said").asString()).isNotEmpty();
        assertThat(refused.get("records").get(0).get("id").asLong()).isEqualTo(id);
        world.standIns().desk(lock, "through=" + before);
        yard.awaitFinished(yard.send(List.of(id)));
        assertThat(causes()).as("put right, and sent again").hasSize(2);
    }

    private static void whatWasNotReachedWaitsHereToo() {
        String set = "update record set outcome = :outcome where number = 'HW-20388'";
        int before = onTheRoad();
        world.jdbc().sql(set).param("outcome", "unreached").update();
        assertThat(cause("unreached").get("records").get(0).get("number").asString())
                .isEqualTo("HW-20388");
        assertThat(onTheRoad()).isEqualTo(before + 1);
        world.jdbc().sql(set).param("outcome", null).update();
    }

    private static void settled(long id) {
        JsonNode record = cause("changed-both").get("records").get(0);
        assertThat(record.get("id").asLong()).isEqualTo(id);
        Api.Response settled = ferro.post(
                "/api/documents/" + id + "/settlement",
                Map.of(
                        "winner",
                        "LEDGER",
                        "ledgerVersion",
                        record.get("ledgerVersion").asInt()));
        assertThat(settled.status()).as(settled.body()).isEqualTo(200);
        assertThat(causes()).containsExactly("changed-here");
        assertThat(onTheRoad()).isOne();
    }

    private static void leftAloneAndLookedAfterAgain(long id) {
        String alone = "/api/documents/" + id + "/left-alone";
        assertThat(ferro.delete(alone).json().get("code").asString()).isEqualTo("looked-after");
        assertThat(ferro.put(alone, Map.of()).status()).isEqualTo(204);
        assertThat(causes()).isEmpty();
        assertThat(onTheRoad()).isZero();
        assertThat(ferro.put(alone, Map.of()).json().get("code").asString())
                .as("once")
                .isEqualTo("nothing-to-leave");
        editedOnHullwork(id);
        assertThat(causes()).as("whatever changes").isEmpty();
        assertThat(Yard.trySend(ferro, Map.of("route", "yard", "ids", List.of(id)))
                        .status())
                .as("nothing of it goes")
                .isBetween(400, 499);
        assertThat(ferro.get("/api/documents/" + id)
                        .json()
                        .get("leftAlone")
                        .get("who")
                        .asString())
                .isEqualTo("M. Ferro");
        assertThat(ferro.delete(alone).status()).isEqualTo(204);
        assertThat(causes()).containsExactly("changed-here");
        yard.awaitFinished(yard.send(List.of(id)));
        assertThat(causes()).isEmpty();
        assertThat(ferro.put(alone, Map.of()).json().get("code").asString())
                .as("in order")
                .isEqualTo("nothing-to-leave");
    }

    private static JsonNode sides(long id) {
        return ferro.get("/api/documents/" + id).json().get("sides");
    }

    private static JsonNode editedOnInkwell(long id) {
        String ref = ferro.get("/api/documents/" + id)
                .json()
                .get("document")
                .get("ledgerRef")
                .asString();
        world.standIns().editOnInkwell(ref, "2030-01-15", null);
        fetch();
        return sides(id);
    }

    private static void editedOnHullwork(long id) {
        String desk = sides(id).get("sourceDesk").asString();
        world.standIns().editOnHullwork(desk.substring(desk.indexOf("/hullwork")), "1.00");
        fetch();
    }
}
