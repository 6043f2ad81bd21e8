package alcabala.server.bulk;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.formats.csv.CsvTable;
import alcabala.formats.sheet.SheetFile;
import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/// Crosswalks go out as files, come in again as one change, and are taken back as one.
class BulkTest {
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
    @ValueSource(strings = {"ITEM", "CATEGORY", "TAX", "PARTY", "ROLE", "LINE_KIND", "PROJECT", "MEANS"})
    void whatWasNotEditedChangesNothing(String kind) {
        byte[] csv = file(kind, "csv").getBytes(StandardCharsets.UTF_8);
        CsvTable table = ((CsvTable.Outcome.Read) SheetFile.read(csv)).table();
        JsonNode tried = bring(kind, "all.csv", csv);
        assertThat(tried.get("unchanged").asInt()).isEqualTo(table.rows().size());
        assertThat(tried.get("wrong").asInt()).isZero();
        assertThat(tried.has("id") && !tried.get("id").isNull()).isFalse();
        byte[] book = SheetFile.xlsx(
                "edited",
                table.columns(),
                table.rows().stream().map(CsvTable.Row::cells).toList());
        assertThat(bring(kind, "all.xlsx", book).get("unchanged").asInt())
                .isEqualTo(table.rows().size());
    }

    @Test
    void whatIsShownIsWhatIsDoneAndTakenBack() {
        Yard yard = new Yard(ferro);
        Map<String, Integer> before = yard.counts();
        List<String> stood = rows();
        String edited = file("CATEGORY", "csv")
                        .replace("storage,Winter storage,,", "storage,Winter storage,4035,")
                        .replaceAll("(?m)^paint,(.*),4015,", "paint,$1,4018,")
                        .replaceAll("(?m)^berths,(.*),4040,", "berths,$1,,")
                        .replaceAll("(?m)^books,(.*),4060,(,*)1", "books,$1,4018,$27")
                        .replaceAll("(?m)^carriage,(.*),4080,", "carriage,$1,1100,")
                + "nowhere,No such,4010,,,,0\r\npaint,Again,4018,,,,1\r\n";
        JsonNode tried = bring("CATEGORY", "categories.csv", edited.getBytes(StandardCharsets.UTF_8));
        assertThat(List.of(
                        tried.get("changed").asInt(),
                        tried.get("added").asInt(),
                        tried.get("takenAway").asInt(),
                        tried.get("wrong").asInt()))
                .containsExactly(1, 1, 1, 4);
        assertThat(tried.get("problems").findValuesAsString("sentence"))
                .anyMatch(each -> each.contains("the file has version 7, it is 1 by now"))
                .anyMatch(each -> each.contains("Account 1100 is of type receivable"))
                .anyMatch(each -> each.contains("has told of no such code"))
                .anyMatch(each -> each.contains("stands in the file twice"));
        assertThat(rows()).as("nothing is changed by looking").isEqualTo(stood);

        long id = tried.get("id").asLong();
        long trail = trail();
        assertThat(ferro.post("/api/map/bulk/" + id + "/doing", Map.of())
                        .json()
                        .get("sentence")
                        .asString())
                .startsWith("3 rows changed, 8 documents released");
        assertThat(row("paint")).isEqualTo("4018");
        assertThat(row("storage")).isEqualTo("4035");
        assertThat(row("berths")).isEmpty();
        assertThat(trail()).as("an import is one change on the trail").isEqualTo(trail + 1);
        Api.Response again = ferro.post("/api/map/bulk/" + id + "/doing", Map.of());
        assertThat(again.status()).isEqualTo(409);

        set("paint", "4010");
        JsonNode back = ferro.post("/api/map/bulk/" + id + "/undoing", Map.of()).json();
        assertThat(back.get("left")).extracting(JsonNode::asString).containsExactly("paint");
        assertThat(back.get("sentence").asString()).contains("2 rows as before", "1 changed since stay");
        assertThat(row("berths")).isEqualTo("4040");
        assertThat(row("storage")).isEmpty();
        assertThat(row("paint")).as("somebody's later word stands").isEqualTo("4010");
        assertThat(yard.counts()).isEqualTo(before);
        assertThat(ferro.post("/api/map/bulk/" + id + "/undoing", Map.of()).status())
                .isEqualTo(409);
        JsonNode listed = ferro.get("/api/map/bulk?route=yard").json().get(0);
        assertThat(listed.get("fileName").asString()).isEqualTo("categories.csv");
        assertThat(listed.get("state").asString()).isEqualTo("UNDONE");
        set("paint", "4015");
    }

    @Test
    void oneAnswerForManyCodes() {
        Map<String, Object> wanted = Map.of(
                "route",
                "yard",
                "kind",
                "CATEGORY",
                "codes",
                List.of("haul-out", "hull-labour", "rigging-labour", "nowhere"),
                "meaning",
                Map.of("targets", Map.of("INCOME", "4020"), "dimensions", Map.of()));
        JsonNode tried = ferro.post("/api/map/bulk/codes", wanted).json();
        assertThat(tried.get("rows").findValuesAsString("code")).contains("haul-out");
        assertThat(tried.get("changed").asInt() + tried.get("unchanged").asInt())
                .isEqualTo(3);
        assertThat(tried.get("wrong").asInt()).isOne();
        long id = tried.get("id").asLong();
        // In between somebody changes one of them: then it is all or nothing.
        set("haul-out", "4010");
        assertThat(ferro.post("/api/map/bulk/" + id + "/doing", Map.of()).status())
                .isEqualTo(409);
        assertThat(row("haul-out")).isEqualTo("4010");
        long second = ferro.post("/api/map/bulk/codes", wanted).json().get("id").asLong();
        assertThat(ferro.post("/api/map/bulk/" + second + "/doing", Map.of()).status())
                .isEqualTo(200);
        assertThat(row("haul-out")).isEqualTo("4020");
        ferro.post("/api/map/bulk/" + second + "/undoing", Map.of());
        assertThat(row("haul-out")).isEqualTo("4010");
        set("haul-out", "4030");
    }

    @Test
    void asItWasAndAsAnotherRouteHasIt() {
        Instant before = Instant.now();
        set("engine-parts", "4010");
        Map<String, Object> then = Map.of("route", "yard", "kind", "CATEGORY", "moment", before.toString());
        JsonNode tried = ferro.post("/api/map/bulk/rows", then).json();
        assertThat(tried.get("rows").findValuesAsString("code"))
                .contains("4018")
                .doesNotContain("books");
        assertThat(tried.get("changed").asInt()).isOne();
        JsonNode all = ferro.get("/api/map/then?route=yard&moment=" + before).json();
        assertThat(all.get("different").asInt()).isOne();
        assertThat(all.get("same").asInt()).isPositive();
        JsonNode changed = all.get("rows").get(0);
        assertThat(changed.get("code").asString()).isEqualTo("engine-parts");
        assertThat(changed.at("/then/0/code").asString()).isEqualTo("4018");
        assertThat(changed.at("/now/0/code").asString()).isEqualTo("4010");
        assertThat(ferro.get("/api/map/then?route=yard&all=true&moment=" + before)
                        .json()
                        .get("rows")
                        .size())
                .isEqualTo(1 + all.get("same").asInt());
        JsonNode atFirst = ferro.get("/api/map/then?route=yard&moment=2000-01-01T00:00:00Z")
                .json();
        assertThat(atFirst.get("same").asInt()).isZero();
        assertThat(atFirst.get("rows").get(0).get("then").size())
                .as("no row yet")
                .isZero();
        ferro.post("/api/map/bulk/" + tried.get("id").asLong() + "/doing", Map.of());
        assertThat(row("engine-parts")).isEqualTo("4018");

        // The harbour office knows other tax codes than the yard, and has the same roles.
        Map<String, Object> harbour = Map.of("route", "yard", "kind", "ROLE", "from", "harbour");
        JsonNode roles = ferro.post("/api/map/bulk/rows", harbour).json();
        assertThat(roles.get("unchanged").asInt()).isPositive();
        assertThat(roles.get("takenAway").asInt())
                .as("what it has no row for stays")
                .isZero();
        JsonNode taxes = ferro.post("/api/map/bulk/rows", Map.of("route", "yard", "kind", "TAX", "from", "harbour"))
                .json();
        assertThat(taxes.get("problems").findValuesAsString("sentence"))
                .anyMatch(each -> each.contains("no such code"));
        assertThat(ferro.post("/api/map/bulk/rows", Map.of("route", "yard", "kind", "TAX"))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void whatIsNoCrosswalkIsRefusedWithItsReason() {
        assertThat(refusal("CATEGORY", "Boat,Length\r\nDunlin,7\r\n")).isEqualTo("columns-unknown");
        assertThat(refusal("CATEGORY", "Code,Version\r\npaint,1\r\n"))
                .as("it says nothing of any")
                .isEqualTo("columns-unknown");
        assertThat(refusal("CATEGORY", "")).isEqualTo("file-unreadable");
        assertThat(refusal("CATEGORY", "PK\u0003\u0004 no workbook")).isEqualTo("file-unreadable");
        assertThat(refusal("LINE", "Code,Account\r\n1/1,4010\r\n")).isEqualTo("no-table");
        JsonNode tried =
                bring("CATEGORY", "x.csv", "Code,Income,Colour\r\npaint,4015,red\r\n".getBytes(StandardCharsets.UTF_8));
        assertThat(tried.get("notTaken")).extracting(JsonNode::asString).containsExactly("Colour");
    }

    @Test
    void twentyThousandRowsAreChangedAtOnceAndNoMore() {
        world.jdbc().sql("""
                insert into source_item (source_id, code, name, category, kind)
                    select id, 'MANY-' || n, 'One of many', 'chandlery', 'GOODS' from source, generate_series(1, 20001) n
                    where name = 'Hullwork'""").update();
        assertThat(bring("ITEM", "many.csv", many(20_000)).get("added").asInt()).isEqualTo(20_000);
        assertThat(ferro.multipart(path("ITEM"), Map.of("many.csv", many(20_001)))
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("too-many-rows");
        assertThat(bring("ITEM", "many.csv", many(20_000)).get("rows"))
                .as("those that are listed")
                .hasSize(2_000);
        world.jdbc().sql("delete from source_item where code like 'MANY-%'").update();
    }

    private static byte[] many(int count) {
        StringBuilder csv = new StringBuilder("Code,Income\r\n");
        for (int i = 1; i <= count; i++) {
            csv.append("MANY-").append(i).append(",4010\r\n");
        }
        return csv.toString().getBytes(StandardCharsets.UTF_8);
    }

    @Test
    void whatWasOnlyTriedIsForgottenAfterADay() {
        long old = triedAgo("25 hours");
        long fresh = triedAgo("23 hours");
        triedAgo("1 minute");
        assertThat(ferro.post("/api/map/bulk/" + old + "/doing", Map.of()).status())
                .isEqualTo(404);
        assertThat(ferro.post("/api/map/bulk/" + fresh + "/doing", Map.of()).status())
                .isEqualTo(200);
        assertThat(ferro.post("/api/map/bulk/" + fresh + "/undoing", Map.of()).status())
                .isEqualTo(200);
    }

    private static long triedAgo(String age) {
        long id = bring("CATEGORY", "x.csv", "Code,Income\r\nhull-labour,4025\r\n".getBytes(StandardCharsets.UTF_8))
                .get("id")
                .asLong();
        world.jdbc()
                .sql("update bulk_change set made_at = now() - cast(:age as interval) where id = :id")
                .param("age", age)
                .param("id", id)
                .update();
        return id;
    }

    /// The ledger may have changed between the look and the deed.
    @Test
    void whatIsNotPossibleAnyMoreIsNotDone() {
        long id = triedAgo("1 minute");
        world.jdbc()
                .sql("update ledger_account set active = false where code = '4025'")
                .update();
        Api.Response late = ferro.post("/api/map/bulk/" + id + "/doing", Map.of());
        world.jdbc()
                .sql("update ledger_account set active = true where code = '4025'")
                .update();
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.json().get("sentence").asString()).contains("hull-labour", "no active account 4025");
        assertThat(row("hull-labour")).isEqualTo("4020");
    }

    private String refusal(String kind, String content) {
        Api.Response answer = ferro.multipart(path(kind), Map.of("x", content.getBytes(StandardCharsets.UTF_8)));
        assertThat(answer.status()).isEqualTo(422);
        return answer.json().get("code").asString();
    }

    private static String path(String kind) {
        return "/api/map/bulk/file?route=yard&kind=" + kind;
    }

    private static String file(String kind, String format) {
        return ferro.get(path(kind) + "&format=" + format).body();
    }

    private static JsonNode bring(String kind, String name, byte[] content) {
        Api.Response answer = ferro.multipart(path(kind), Map.of(name, content));
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
        return answer.json();
    }

    private static void set(String category, String account) {
        int version = ferro.get("/api/map/row?route=yard&kind=CATEGORY&code=" + category)
                .json()
                .get("version")
                .asInt();
        Meaning meaning = Meaning.NONE.with(Purpose.INCOME, account);
        assertThat(ferro.put("/api/map/row", Yard.row("yard", "CATEGORY", category, meaning, version))
                        .status())
                .isEqualTo(200);
    }

    private static List<String> rows() {
        List<String> rows = new ArrayList<>();
        ferro.get("/api/map/category?route=yard").json().get("rows").forEach(row -> rows.add(row.toString()));
        return rows;
    }

    private static String row(String category) {
        JsonNode row = ferro.get("/api/map/category?route=yard")
                .json()
                .get("rows")
                .valueStream()
                .filter(each -> each.get("code").asString().equals(category))
                .findFirst()
                .orElseThrow();
        return row.at("/row/meaning/targets/INCOME").asString();
    }

    private static long trail() {
        return world.jdbc()
                .sql("select count(*) from trail where record_id is null and action = 'rows-changed-together'")
                .query(Long.class)
                .single();
    }
}
