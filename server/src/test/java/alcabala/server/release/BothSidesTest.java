package alcabala.server.release;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// One document on both sides: before it goes, after it went, and after somebody changed it there.
class BothSidesTest {
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

    @Test
    void beforeItGoesTheRightSideIsWhatWouldBeSent() {
        JsonNode ready = yard.documents("Ready").getLast();
        JsonNode sides = sides(ready);
        assertThat(sides.get("posted").asBoolean()).isFalse();
        assertThat(field(sides, "Gross", "ledger")).isEqualTo(field(sides, "Gross", "source"));
        assertThat(field(sides, "Identifier", "ledger")).isEmpty();
        assertThat(sides.get("ledgerDesk").asString()).isEmpty();
        assertThat(sides.get("sourceDesk").asString()).contains("/hullwork/documents/d-");
        assertThat(sides.get("journal")).isNotEmpty();
    }

    @Test
    void aBlockedDocumentHasNoRightSideAndNothingDiffers() {
        JsonNode sides = sides(yard.documents("Blocked").getFirst());
        assertThat(sides.get("fields").valueStream())
                .allMatch(field -> field.get("ledger").asString().isEmpty()
                        && !field.get("differs").asBoolean());
        assertThat(sides.get("journal")).isEmpty();
    }

    @Test
    void whatIsChangedThereIsMarkedFieldByFieldAndLineByLine() {
        JsonNode ready = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice"))
                .filter(row -> !row.get("number").asString().matches("HW-20388|HW-20301"))
                .findFirst()
                .orElseThrow();
        yard.awaitFinished(yard.send(List.of(ready.get("id").asLong())));
        JsonNode posted = sides(ready);
        assertThat(posted.get("posted").asBoolean()).isTrue();
        assertThat(posted.get("fields").valueStream())
                .noneMatch(each -> each.get("differs").asBoolean());
        assertThat(field(posted, "Identifier", "ledger")).startsWith("IN-");

        String id = field(posted, "Identifier", "ledger");
        JsonNode there = world.standIns().inkwell("/documents/" + id);
        world.standIns().editOnInkwell(id, there.get("due").asString(), "999.99");
        JsonNode pulled = ferro.post("/api/pull?route=yard", Map.of()).json();
        assertThat(pulled.get("edits").asInt()).isOne();
        JsonNode diverged = sides(ready);
        assertThat(diverged.get("fields")
                        .valueStream()
                        .filter(each -> each.get("differs").asBoolean())
                        .map(each -> each.get("name").asString()))
                .containsExactly("Net", "Tax", "Gross");
        assertThat(diverged.get("lines").get(0).get("differs").asBoolean()).isTrue();
        assertThat(yard.counts()).containsEntry("Diverged", 1);
        whatChangedSinceIsTold(ready, diverged);
        assertThat(ferro.post("/api/pull?route=yard", Map.of())
                        .json()
                        .get("edits")
                        .asInt())
                .as("no news twice")
                .isZero();
    }

    /// As the table of synchronisation has it: changed there only, then on both sides, then with somebody who wins.
    private static void whatChangedSinceIsTold(JsonNode row, JsonNode diverged) {
        assertThat(changes(diverged)).as("the total follows").containsExactly("line 1 DRIFT 8");
        JsonNode line = diverged.get("changes").get(0);
        assertThat(line.get("source").asString())
                .isEqualTo(line.get("sourceBefore").asString());
        assertThat(line.get("ledger").asString()).contains("999.99");
        assertThat(line.get("ledgerBefore").asString()).isNotEmpty().doesNotContain("999.99");
        assertThat(line.get("sentence").asString())
                .isEqualTo(
                        "Changed in Inkwell, and nothing of it comes back: keep it there, or put it back by sending.");

        String desk = diverged.get("sourceDesk").asString();
        world.standIns().editOnHullwork(desk.substring(desk.indexOf("/hullwork")), "1.00");
        ferro.post("/api/pull?route=yard", Map.of());
        assertThat(changes(sides(row))).containsExactly("line 1 CONFLICT 12");
        Yard.decide(world.api("admin"), "yard", "INVOICES_WINNER", "source");
        assertThat(changes(sides(row))).containsExactly("line 1 TRAVELS 10");
        assertThat(sides(row).get("changes").get(0).get("sentence").asString())
                .isEqualTo("Goes to Inkwell when it is sent, in the place of what was changed there.");
        Yard.decide(world.api("admin"), "yard", "INVOICES_WINNER", "ask");
    }

    private static List<String> changes(JsonNode sides) {
        return sides.get("changes")
                .valueStream()
                .map(each -> each.get("field").asString() + " "
                        + each.get("becomes").asString() + " "
                        + each.get("row").asInt())
                .toList();
    }

    @Test
    void aDocumentThatIsNotThereIsSaidSo() {
        assertThat(ferro.get("/api/documents/999999").status()).isEqualTo(404);
        assertThat(ferro.get("/api/documents/999999/why").status()).isEqualTo(404);
        assertThat(ferro.get("/api/documents/999999/trail").status()).isEqualTo(404);
    }

    private static JsonNode sides(JsonNode row) {
        return ferro.get("/api/documents/" + row.get("id").asLong()).json().get("sides");
    }

    private static String field(JsonNode sides, String name, String side) {
        return sides.get("fields")
                .valueStream()
                .filter(each -> each.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .get(side)
                .asString();
    }
}
