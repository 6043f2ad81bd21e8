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
import org.junit.jupiter.api.AfterEach;
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

    /// Nothing of what a test adds is there for the next one.
    @AfterEach
    void takeAway() {
        world.jdbc().sql("""
                delete from source_party where code ~ '^(P[0-9]|DOUBT|CLAIM)'; delete from ledger_party where code = 'CLAIMED';
                update ledger set version = version + 1; update source set catalogue_version = catalogue_version + 1""").update();
    }

    private static void sourceHasToldOfMore() {
        world.jdbc()
                .sql("update source set catalogue_version = catalogue_version + 1")
                .update();
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

    /// Up to a thousand are compared while somebody waits, more behind the screens; until then what documents
    /// ask about is open all the same.
    @Test
    void veryManyPartiesAreComparedBehindTheScreens() {
        int known = page("party", "limit=1").get("count").asInt();
        addParties(1, 999 - known);
        addParty("DOUBT-A", "Merrow Bay Council");
        assertThat(page("party", "limit=1").get("count").asInt()).isEqualTo(1000);
        assertThat(codes("party", "only=open")).contains("DOUBT-A");
        assertThat(compared()).isZero();
        addParty("DOUBT-B", "Dunmere Pilots");
        Await.until(
                "the doubtful one is open", () -> codes("party", "only=open").contains("DOUBT-B"));
        assertThat(compared()).isPositive();
        assertThat(page("party", "text=DOUBT-A").at("/rows/0/suggestion/code").asString())
                .isEqualTo("IC-1040");
        new Yard(ferro).map("PARTY", "DOUBT-A", "IC-1040", "");
        assertThat(codes("party", "only=open")).doesNotContain("DOUBT-A");
    }

    private static int compared() {
        return world.jdbc()
                .sql("select count(*) from work where kind = 'MATCHING'")
                .query(Integer.class)
                .single();
    }

    private static void addParties(int from, int to) {
        world.jdbc()
                .sql(PARTY + " from generate_series(:from, :to) n, " + LIKE_ANOTHER)
                .param("code", "P")
                .param("name", "Pell Mooring ")
                .param("from", from)
                .param("to", to)
                .update();
        sourceHasToldOfMore();
    }

    private static void addParty(String code, String name) {
        world.jdbc()
                .sql(PARTY.replace(" || n", "").replace(" || md5(n::text)", "") + " from " + LIKE_ANOTHER)
                .param("code", code)
                .param("name", name)
                .update();
        sourceHasToldOfMore();
    }

    private static final String PARTY = """
            insert into source_party (source_id, code, name, body)
            select s.id, :code || n, :name || md5(n::text), p.body || jsonb_build_object('code', :code || n,
                'name', :name || md5(n::text), 'taxIdentifier', '', 'email', '', 'phone', '')""";
    private static final String LIKE_ANOTHER =
            "source s join source_party p on p.source_id = s.id and p.code = 'C-1010' where s.name = 'Hullwork'";

    /// Each by itself would be certain of the one that has both names.
    @Test
    void twoThatClaimTheSameOneAreBothDoubtfulWhereverTheyAreLookedAt() {
        world.jdbc().sql("""
                insert into ledger_party (ledger_id, code, name, body, active)
                select ledger_id, 'CLAIMED', 'Oake Sails t/a Tarn Lofts', body || jsonb_build_object('code', 'CLAIMED',
                    'name', 'Oake Sails t/a Tarn Lofts', 'taxIdentifier', 'IE6433435W', 'email', ''), true
                from ledger_party where code = 'IC-1040';
                update ledger set version = version + 1""").update();
        String claim = """
                insert into source_party (source_id, code, name, body)
                select s.id, :code, :name, p.body || jsonb_build_object('code', :code, 'name', :name,
                    'taxIdentifier', 'IE6433435W', 'email', '', 'phone', '')
                from source s join source_party p on p.source_id = s.id and p.code = 'C-1010' where s.name = 'Hullwork'""";
        world.jdbc()
                .sql(claim)
                .param("code", "CLAIM-A")
                .param("name", "Oake Sails")
                .update();
        sourceHasToldOfMore();
        assertThat(exact("CLAIM-A")).isTrue();
        world.jdbc()
                .sql(claim)
                .param("code", "CLAIM-B")
                .param("name", "Tarn Lofts")
                .update();
        sourceHasToldOfMore();
        Await.until("they are seen together", () -> !exact("CLAIM-A"));
        assertThat(exact("CLAIM-B")).isFalse();
        assertThat(ferro.get("/api/map/parties/likeness?route=yard&code=CLAIM-B")
                        .json()
                        .at("/candidates/0/certain")
                        .asBoolean())
                .isFalse();
    }

    private static boolean exact(String code) {
        return page("party", "limit=1&text=" + code)
                .at("/rows/0/suggestion/exact")
                .asBoolean();
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
