package alcabala.server.map;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

class MapApiTest {
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

    @ParameterizedTest(name = "{0} {1} to {2}{3} is refused as {4}")
    @CsvSource(
            nullValues = "-",
            value = {
                "ROLE,     RECEIVABLES_CONTROL, '', 4010, account-type",
                "ROLE,     SALES,               '', 1100, account-type",
                "CATEGORY, books,               '', 1000, account-type",
                "CATEGORY, books,               '', 9999, not-on-ledger",
                "CATEGORY, books,               '', 4900, not-on-ledger",
                "ITEM,     ANC-10,          NOBODY, '',   not-on-ledger",
                "TAX,      VEU,                S99, '',   not-on-ledger",
                "PARTY,    C-1004,         IC-9999, '',   not-on-ledger"
            })
    void whatCannotBeUsedIsRefusedWhenItIsSet(
            String kind, String code, String counterpart, String account, String refusal) {
        JsonNode before = ferro.get("/api/summary?route=yard").json();
        Api.Response answer = put(kind, code, counterpart, account, versionOf(kind, code));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.json().get("code").asString()).isEqualTo(refusal);
        assertThat(ferro.get("/api/summary?route=yard").json())
                .as("nothing changed")
                .isEqualTo(before);
    }

    @Test
    void aPartyIsComparedWithThoseThatItMayBe() {
        JsonNode doubt =
                ferro.get("/api/map/parties/likeness?route=yard&code=C-1001").json();
        assertThat(doubt.at("/party/taxIdentifier").asString()).isEqualTo("IE4820177K");
        assertThat(doubt.at("/party/billTo").asString()).isEqualTo("3 Slip Row, SM1 2, Saltmere, IE");
        assertThat(doubt.get("candidates").findValuesAsString("certain")).containsOnly("false");
        assertThat(doubt.get("candidates")
                        .valueStream()
                        .map(each -> each.at("/party/code").asString()))
                .containsExactly("IC-1001", "IC-1052");
        JsonNode evidence = doubt.at("/candidates/1/evidence");
        assertThat(evidence.findValuesAsString("topic"))
                .containsExactly("TAX_IDENTIFIER", "NAME", "EMAIL", "PHONE", "ADDRESS");
        assertThat(evidence.findValuesAsString("agreement"))
                .containsExactly("CONTRADICTS", "SAME", "OTHER", "SILENT", "SILENT");
        JsonNode known =
                ferro.get("/api/map/parties/likeness?route=yard&code=C-1002").json();
        assertThat(known.get("version").asInt()).isPositive();
        assertThat(known.at("/candidates/0/certain").asBoolean()).isTrue();
        assertThat(known.at("/candidates/0/standsFor/0").asString()).isEqualTo("C-1002");
        JsonNode stranger =
                ferro.get("/api/map/parties/likeness?route=yard&code=C-1010").json();
        assertThat(stranger.get("candidates")).isEmpty();
        assertThat(stranger.get("blockedDocuments").asInt()).isZero();
    }

    @Test
    void aRowKeepsItsHistoryAndAnOldVersionChangesNothing() {
        assertThat(put("CATEGORY", "carriage", "", "4090", 1).status()).isEqualTo(200);
        assertThat(put("CATEGORY", "carriage", "", "4080", 1).status())
                .as("seen before the other's change")
                .isEqualTo(409);
        assertThat(put("CATEGORY", "carriage", "", "4080", 2).status()).isEqualTo(200);
        JsonNode history = ferro.get("/api/map/history?route=yard&kind=category&code=carriage")
                .json();
        assertThat(history.valueStream()
                        .map(each -> income(each, "before") + " " + income(each, "meaning") + " " + each.get("stands")))
                .containsExactly("4090 4080 true", "4080 4090 false", " 4080 false");
    }

    /// Also where nothing stands that could be taken away.
    @ParameterizedTest
    @CsvSource({"LINE, nonsense", "LINE, /", "PAYER, C-1001", "ROLE, OWNER", "LINE_KIND, WIND"})
    void aNameThatNamesNothingIsRefused(RowKind kind, String code) {
        Map<String, Object> away = Map.of("route", "yard", "kind", kind, "code", code, "remove", true);
        Map<String, Object> rows = Map.of("route", "yard", "kind", kind, "rows", Map.of(code, 0));
        assertThat(ferro.put("/api/map/row", away).status()).isEqualTo(422);
        assertThat(ferro.post("/api/map/what-if", away).status()).isEqualTo(422);
        assertThat(ferro.post("/api/map/corrections", away).status()).isEqualTo(422);
        assertThat(ferro.post("/api/map/rows/removal", rows).status()).isEqualTo(422);
    }

    private static String income(JsonNode change, String when) {
        return change.at("/" + when + "/targets/INCOME").asString();
    }

    @Test
    void theLastChangesOfAllRowsSayWhoAndWhy() {
        Instant before = Instant.now();
        Map<String, Object> row = new HashMap<>(Yard.row("yard", "CATEGORY", "electrics", account("4010"), 1));
        row.put("note", "  chandlery since November ");
        assertThat(ferro.put("/api/map/row", row).status()).isEqualTo(200);
        row.put("expectedVersion", 2);
        row.put("remove", true);
        row.put("note", "asked the owner");
        assertThat(ferro.put("/api/map/row", row).status()).isEqualTo(200);
        List<JsonNode> changes = ferro.get("/api/map/changes?route=yard&limit=2")
                .json()
                .valueStream()
                .toList();
        assertThat(changes)
                .extracting(each -> each.get("code").asString() + ": " + income(each, "before") + " > "
                        + income(each, "meaning") + ", " + each.get("note").asString())
                .containsExactly(
                        "electrics: 4010 > , asked the owner", "electrics: 4018 > 4010, chandlery since November");
        assertThat(changes.getFirst().get("was").findValuesAsString("name")).containsExactly("Chandlery sales");
        assertThat(changes.getFirst().get("stands").asBoolean()).isTrue();
        assertThat(ferro.get("/api/map/changes?route=yard&limit=500&before=" + before)
                        .json()
                        .valueStream())
                .isNotEmpty()
                .allMatch(each -> Instant.parse(each.get("setAt").asString()).isBefore(before));
        row.put("note", "x".repeat(501));
        assertThat(ferro.put("/api/map/row", row).status()).isEqualTo(400);
        assertThat(ferro.put("/api/map/row", fullNote()).status()).isEqualTo(200);
    }

    private static Map<String, Object> fullNote() {
        Map<String, Object> back = new HashMap<>(Yard.row("yard", "CATEGORY", "electrics", account("4018"), 0));
        back.put("note", "x".repeat(500));
        return back;
    }

    private static Meaning account(String income) {
        return Meaning.NONE.with(Purpose.INCOME, income);
    }

    @Test
    void whatWasTakenAwayIsInTheHistoryAndEveryMomentCanBeSeen() {
        Instant before = Instant.now();
        assertThat(put("CATEGORY", "books", "", "4090", 1).status()).isEqualTo(200);
        Instant meanwhile = Instant.now();
        assertThat(ferro.put(
                                "/api/map/row",
                                Map.of(
                                        "route",
                                        "yard",
                                        "kind",
                                        "CATEGORY",
                                        "code",
                                        "books",
                                        "expectedVersion",
                                        2,
                                        "remove",
                                        true))
                        .status())
                .isEqualTo(200);
        JsonNode history = ferro.get("/api/map/history?route=yard&kind=category&code=books")
                .json();
        assertThat(history.valueStream().map(each -> each.get("version").asInt() + " " + each.has("meaning")))
                .containsExactly("2 false", "2 true", "1 true");
        assertThat(at(before, "books")).isEqualTo("4060");
        assertThat(at(meanwhile, "books")).isEqualTo("4090");
        assertThat(at(Instant.now(), "books")).isEmpty();
        assertThat(put("CATEGORY", "books", "", "4060", 0).status()).isEqualTo(200);
        assertThat(versionOf("CATEGORY", "books")).isEqualTo(3);
    }

    private static String at(Instant moment, String category) {
        return ferro.get("/api/map/then?route=yard&all=true&moment=" + moment)
                .json()
                .get("rows")
                .valueStream()
                .filter(row -> row.get("code").asString().equals(category))
                .map(row -> row.at("/then/0/code").asString())
                .findFirst()
                .orElse("");
    }

    @Test
    void aJobAndAPartySayWhereTheirIncomeGoes() {
        Yard yard = new Yard(ferro);
        long id = yard.document("HW-20370").get("id").asLong();
        String project = ferro.get("/api/documents/" + id + "/why")
                .json()
                .get("lines")
                .get(0)
                .get("walk")
                .valueStream()
                .filter(step -> step.get("step").asString().equals("project"))
                .map(step -> step.get("subject").asString())
                .findFirst()
                .orElseThrow();
        assertThat(project).startsWith("WO-");
        assertThat(ferro.get("/api/map/project?route=yard").json().get("rows").findValuesAsString("code"))
                .contains(project);
        assertThat(refusal("PROJECT", project, Meaning.NONE.with(Purpose.INCOME, "1100")))
                .isEqualTo("account-type");
        assertThat(refusal("PROJECT", project, Meaning.NONE.with(Purpose.ACCOUNT, "4090")))
                .isEqualTo("purpose-unfit");
        assertThat(refusal("PROJECT", project, Meaning.NONE)).isEqualTo("says-nothing");
        assertThat(refusal("LINE_KIND", "WORK", Meaning.NONE.with(Purpose.INCOME, "4090")))
                .isEqualTo("line-kind-unknown");
        assertThat(refusal("PARTY", "C-1002", new Meaning(Map.of(), Map.of("DEPT", "SHOP"))))
                .as("no dimensions there")
                .isEqualTo("not-on-ledger");
    }

    private static String refusal(String kind, String code, Meaning meaning) {
        Api.Response answer = ferro.put("/api/map/row", Yard.row("yard", kind, code, meaning, 0));
        assertThat(answer.status()).isEqualTo(422);
        return answer.json().get("code").asString();
    }

    @Test
    void anOverrideOnOneLineMovesThatLineAlone() {
        Yard yard = new Yard(ferro);
        long id = yard.document("HW-20372").get("id").asLong();
        assertThat(refusal("LINE", "HW-20372/2", Meaning.NONE.with(Purpose.ACCOUNT, "4090")))
                .isEqualTo("line-invalid");
        assertThat(refusal("LINE", "99999999/2", Meaning.NONE.with(Purpose.ACCOUNT, "4090")))
                .isEqualTo("line-invalid");
        assertThat(put("LINE", id + "/2", "", "4090", 0).status()).isEqualTo(200);
        JsonNode why = ferro.get("/api/documents/" + id + "/why").json();
        assertThat(why.get("lines").findValuesAsString("account")).containsSequence("4090");
        assertThat(why.get("journal").get("lines").findValuesAsString("account"))
                .containsExactlyInAnyOrder("1100", "4015", "4090", "2200", "6990");
        assertThat(yard.document("HW-20372").get("landsIn").asString())
                .as("the list knows it too")
                .isEqualTo("4015, 4090");
    }

    @Test
    void whoIsThereTwiceIsLinkedToOneOrSaidToBeTwo() {
        assertThat(twins("LEDGER")).containsExactly("IC-1001 IC-1052 false");
        Map<String, Object> apart =
                Map.of("route", "yard", "side", "LEDGER", "one", "IC-1052", "other", "IC-1001", "apart", true);
        assertThat(ferro.post("/api/map/twins/apart", apart).status()).isEqualTo(200);
        assertThat(ferro.post("/api/map/twins/apart", apart).status()).isEqualTo(200);
        assertThat(twins("LEDGER")).containsExactly("IC-1001 IC-1052 true");
        Map<String, Object> again = new HashMap<>(apart);
        again.put("apart", false);
        ferro.post("/api/map/twins/apart", again);
        assertThat(twins("LEDGER")).containsExactly("IC-1001 IC-1052 false");
        again.put("other", "IC-1052");
        assertThat(ferro.post("/api/map/twins/apart", again).status()).isEqualTo(422);

        world.jdbc().sql("""
                insert into source_party (source_id, code, name, body)
                    select source_id, 'C-1001B', name, jsonb_set(body, '{code}', '"C-1001B"') from source_party
                    where code = 'C-1001'""").update();
        assertThat(twins("SOURCE")).containsExactly("C-1001 C-1001B false");
        assertThat(put("PARTY", "C-1001", "IC-1052", "", 0).status()).isEqualTo(200);
        assertThat(put("PARTY", "C-1001B", "IC-1052", "", 0).status()).isEqualTo(200);
        assertThat(twins("SOURCE")).as("they are one there by now").isEmpty();
        world.jdbc().sql("delete from source_party where code = 'C-1001B'").update();
        for (String code : List.of("C-1001", "C-1001B")) {
            Map<String, Object> row = Yard.row("yard", "PARTY", code, Meaning.NONE, 1);
            Map<String, Object> removal = new HashMap<>(row);
            removal.put("remove", true);
            ferro.put("/api/map/row", removal);
        }
    }

    private static List<String> twins(String side) {
        return ferro.get("/api/map/twins?route=yard&side=" + side)
                .json()
                .get("pairs")
                .valueStream()
                .map(each -> each.at("/one/code").asString() + " "
                        + each.at("/other/party/code").asString() + " "
                        + each.get("apart").asBoolean())
                .toList();
    }

    @Test
    void theOpenComeFirstAndTheBiggestHoldUpOfThemAtTheTop() {
        JsonNode items = ferro.get("/api/map/item?route=yard").json().get("rows");
        assertThat(items.get(0).get("code").asString()).isEqualTo("RIG-0042");
        assertThat(items.get(1).get("code").asString()).isEqualTo("ENG-0310");
        assertThat(items.get(0).get("suggestion").get("reason").asString()).isEqualTo("similar name");
        JsonNode tax = ferro.get("/api/map/tax?route=yard").json().get("rows").get(0);
        assertThat(tax.get("suggestion").get("code").asString()).isEqualTo("RC0");
        assertThat(tax.get("suggestion").get("reason").asString()).isEqualTo("same rate and category AE");
    }

    private static int versionOf(String kind, String code) {
        for (JsonNode row : ferro.get("/api/map/" + kind.toLowerCase(java.util.Locale.ROOT) + "?route=yard")
                .json()
                .get("rows")) {
            if (row.get("code").asString().equals(code)) {
                return row.has("row") ? row.get("row").get("version").asInt() : 0;
            }
        }
        return 0;
    }

    private static Api.Response put(String kind, String code, String counterpart, String account, int version) {
        return ferro.put("/api/map/row", Yard.row("yard", kind, code, counterpart, account, version));
    }
}
