package alcabala.server.map;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/// Crosswalks page by page say what they say as a whole.
class MapPagesTest {
    private static World world;
    private static Api ferro;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        ferro = world.api("ferro");
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @ParameterizedTest
    @ValueSource(strings = {"party", "item", "category", "role"})
    void pagesTogetherAreTheWhole(String kind) {
        JsonNode whole = page(kind, "limit=1000");
        int count = whole.get("count").asInt();
        assertThat(whole.get("rows")).hasSize(count).isNotEmpty();
        List<JsonNode> rows = new ArrayList<>();
        for (int skip = 0; skip < count; skip += 7) {
            JsonNode page = page(kind, "limit=7&skip=" + skip);
            assertThat(page.get("count").asInt()).isEqualTo(count);
            page.get("rows").forEach(rows::add);
        }
        assertThat(rows).isEqualTo(whole.get("rows").valueStream().toList());
        assertThat(rows.stream()
                        .map(row -> row.get("open").asBoolean())
                        .distinct()
                        .toList())
                .as("what is open comes first")
                .isIn(List.of(true, false), List.of(true), List.of(false));
        assertThat(page(kind, "skip=" + count).get("rows")).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"party", "item", "tax", "role"})
    void theSummaryCountsWhatTheRowsSay(String kind) {
        List<JsonNode> rows = page(kind, "limit=1000").get("rows").valueStream().toList();
        JsonNode counts = ferro.get("/api/map/summary?route=yard")
                .json()
                .valueStream()
                .filter(each -> each.get("kind").asString().equalsIgnoreCase(kind))
                .findFirst()
                .orElseThrow();
        List<JsonNode> open =
                rows.stream().filter(row -> row.get("open").asBoolean()).toList();
        assertThat(counts.get("count").asInt()).isEqualTo(rows.size());
        assertThat(counts.get("open").asInt()).isEqualTo(open.size());
        assertThat(counts.get("mapped").asLong())
                .isEqualTo(rows.stream().filter(row -> row.has("row")).count());
        assertThat(counts.get("exact").asLong())
                .isEqualTo(rows.stream()
                        .filter(row -> row.path("suggestion").path("exact").asBoolean(false))
                        .count());
        assertThat(new BigDecimal(counts.get("heldUp").asString()))
                .isEqualByComparingTo(open.stream()
                        .map(row -> new BigDecimal(row.get("blockedAmount").asString()))
                        .reduce(BigDecimal.ZERO, BigDecimal::add));
        assertThat(codes(kind, "only=open&limit=1000"))
                .isEqualTo(open.stream().map(row -> row.get("code").asString()).toList());
    }

    @ParameterizedTest(name = "{0} with {1}: {2}")
    @CsvSource({
        "party, c-1003, C-1003",
        "party, QUILLAN, C-1003",
        "party, IE3390816D, C-1003",
        "party, IC-1003, C-1003",
        "party, 100%25, ''",
        "item, rig-0042, RIG-0042",
        "category, winter, storage",
        "role, control, RECEIVABLES_CONTROL PAYABLES_CONTROL",
    })
    void rowsAreFoundByWhatStandsOnEitherPage(String kind, String text, String found) {
        assertThat(codes(kind, "text=" + text))
                .containsExactlyInAnyOrderElementsOf(found.isEmpty() ? List.of() : List.of(found.split(" ")));
    }

    @ParameterizedTest
    @ValueSource(strings = {"limit=0", "limit=1001", "skip=-1", "only=shut"})
    void nonsenseIsRefused(String query) {
        assertThat(ferro.get("/api/map/party?route=yard&" + query).status()).isEqualTo(400);
    }

    /// More than a thousand are compared behind the screens; until then what documents ask about is open all the same.
    @Test
    void veryManyPartiesAreComparedBehindTheScreens() {
        world.jdbc().sql("""
                insert into source_party (source_id, code, name, body)
                select s.id, 'P-' || n, 'Pell Mooring ' || md5(n::text),
                    jsonb_build_object('code', 'P-' || n, 'name', 'Pell Mooring ' || md5(n::text), 'taxIdentifier', '',
                        'email', '', 'phone', '', 'billTo', p.body->'billTo', 'shipTo', p.body->'shipTo', 'active', true)
                from generate_series(1, 1000) n, source s join source_party p on p.source_id = s.id and p.code = 'C-1010'
                where s.name = 'Hullwork'""").update();
        world.jdbc().sql("""
                update source_party set name = 'Merrow Bay Council', body = jsonb_set(body, '{name}', '"Merrow Bay Council"')
                where code = 'P-1000'""").update();
        assertThat(page("party", "limit=3").get("count").asInt()).isGreaterThan(1000);
        Await.until(
                "the doubtful one is open", () -> codes("party", "only=open").contains("P-1000"));
        assertThat(page("party", "text=P-1000").at("/rows/0/suggestion/code").asString())
                .isEqualTo("IC-1040");
        new Yard(ferro).map("PARTY", "P-1000", "IC-1040", "");
        assertThat(codes("party", "only=open")).doesNotContain("P-1000");
    }

    private static JsonNode page(String kind, String query) {
        Api.Response answer = ferro.get("/api/map/" + kind + "?route=yard&" + query);
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
        return answer.json();
    }

    private static List<String> codes(String kind, String query) {
        return page(kind, query)
                .get("rows")
                .valueStream()
                .map(row -> row.get("code").asString())
                .toList();
    }
}
