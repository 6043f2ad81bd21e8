package alcabala.server.register;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/// What crossed, either way, in one list: three invoices went, one of them is refused, and one was changed there.
class LogTest {
    private static World world;
    private static Api ferro;
    private static String changed;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        ferro = world.api("ferro");
        Yard yard = new Yard(ferro);
        List<JsonNode> going = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice"))
                .filter(row -> !row.get("number").asString().equals("HW-20301"))
                .sorted((one, other) -> Boolean.compare(isRefused(other), isRefused(one)))
                .limit(3)
                .toList();
        yard.awaitFinished(
                yard.send(going.stream().map(row -> row.get("id").asLong()).toList()));
        changed = going.getLast().get("number").asString();
        String there = yard.document(changed).get("ledgerRef").asString();
        JsonNode document = world.standIns().inkwell("/documents/" + there);
        world.standIns().editOnInkwell(there, document.get("due").asString(), "555.55");
        ferro.post("/api/pull?route=yard", Map.of());
    }

    private static boolean isRefused(JsonNode row) {
        return row.get("number").asString().equals("HW-20388");
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    private static JsonNode log(String query) {
        return ferro.get("/api/log?route=yard" + query).json();
    }

    @Test
    void theNewestIsFirstAndEachSaysHowItCameOut() {
        JsonNode entries = log("").get("entries");
        assertThat(entries.valueStream().map(each -> each.get("outcome").asString()))
                .containsExactlyInAnyOrder("told", "refused", "posted", "posted");
        JsonNode first = entries.get(0);
        assertThat(first.get("action").asString()).isEqualTo("edited-on-ledger");
        assertThat(first.get("number").asString()).isEqualTo(changed);
        assertThat(first.get("there").asString()).isNotEmpty();
        assertThat(first.has("batch")).isFalse();
        JsonNode refused = entries.valueStream()
                .filter(each -> each.get("outcome").asString().equals("refused"))
                .findFirst()
                .orElseThrow();
        assertThat(refused.get("why").asString()).as("what the ledger said").isNotEmpty();
        assertThat(refused.get("batch").asLong()).isPositive();
        assertThat(refused.get("who").asString()).isEqualTo("M. Ferro");
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "'&way=TO_LEDGER', 3",
        "'&way=FROM_LEDGER', 1",
        "'&way=TO_SOURCE', 0",
        "'&outcome=refused', 1",
        "'&kind=INVOICE', 4",
        "'&kind=CREDIT_NOTE&kind=BILL', 0",
        "'&from=TODAY', 4",
        "'&to=TODAY', 4",
        "'&to=YESTERDAY', 0",
        "'&text=CHANGED', 2",
        "'&text=nobody', 0"
    })
    void itIsNarrowed(String query, int count) {
        String asked = query.replace("TODAY", LocalDate.now().toString())
                .replace("YESTERDAY", LocalDate.now().minusDays(1).toString())
                .replace("CHANGED", changed);
        assertThat(log(asked).get("entries")).hasSize(count);
    }

    @Test
    void pageByPageItIsTheSame() {
        List<String> names = new ArrayList<>();
        String after = "";
        do {
            JsonNode page = log("&limit=1&after=" + URLEncoder.encode(after, StandardCharsets.UTF_8));
            page.get("entries").forEach(each -> names.add(each.get("name").asString()));
            after = page.get("next").asString();
        } while (!after.isEmpty());
        assertThat(names)
                .containsExactlyElementsOf(log("").get("entries")
                        .valueStream()
                        .map(each -> each.get("name").asString())
                        .toList());
    }

    @ParameterizedTest
    @CsvSource({"yesterday", "2026-11-29T00:00:00Z", "2026-11-29T00:00:00Z x1", "99 d000000000000000001"})
    void aKeyThatIsNoneIsSaidToBe(String after) {
        assertThat(ferro.get("/api/log?route=yard&after=" + URLEncoder.encode(after, StandardCharsets.UTF_8))
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("key-invalid");
    }

    @Test
    void anotherRouteHasItsOwn() {
        assertThat(ferro.get("/api/log?route=harbour").json().get("entries")).isEmpty();
    }
}
