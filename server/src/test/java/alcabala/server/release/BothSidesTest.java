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
        StringBuilder form = new StringBuilder("version=" + there.get("version").asInt() + "&due="
                + there.get("due").asString());
        for (int i = 0; i < there.get("lines").size(); i++) {
            form.append("&amount=")
                    .append(
                            i == 0
                                    ? "999.99"
                                    : there.get("lines")
                                            .get(i)
                                            .get("amount")
                                            .asDecimal()
                                            .toPlainString());
        }
        world.standIns().desk("/inkwell/books/saltmere/documents/" + id + "/edit", form.toString());
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
        assertThat(ferro.post("/api/pull?route=yard", Map.of())
                        .json()
                        .get("edits")
                        .asInt())
                .as("no news twice")
                .isZero();
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
