package alcabala.server.release;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

class DocumentListTest {
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
    @CsvSource({"DATE,true", "DATE,false", "NUMBER,true", "PARTY,false", "GROSS,true", "GROSS,false"})
    void pagesByKeyLoseNothingAndRepeatNothing(String order, boolean descending) {
        List<Long> ids = new ArrayList<>();
        String after = "";
        do {
            JsonNode page = ferro.get("/api/documents?route=yard&limit=7&order=" + order + "&descending=" + descending
                            + "&after=" + java.net.URLEncoder.encode(after, java.nio.charset.StandardCharsets.UTF_8))
                    .json();
            page.get("rows").forEach(row -> ids.add(row.get("id").asLong()));
            after = page.get("next").asString();
        } while (!after.isEmpty());
        assertThat(ids).hasSize(150).doesNotHaveDuplicates();
    }

    @Test
    void everyFilterLeavesOutTheRowJustOutsideIt() {
        String date = world.jdbc()
                .sql("select issue_date::text from record where number = 'HW-20388'")
                .query(String.class)
                .single();
        assertThat(numbers("&from=" + date + "&to=" + date))
                .contains("HW-20388")
                .allSatisfy(n -> assertThat(dateOf(n)).isEqualTo(date));
        assertThat(numbers("&state=Ready&text=HW-203")).isNotEmpty().allMatch(n -> n.startsWith("HW-203"));
        assertThat(numbers("&state=Blocked&cause=tax-unmapped:VEU")).hasSize(8);
        assertThat(numbers("&text=%25"))
                .as("a wildcard is a letter like any other")
                .isEmpty();
        assertThat(numbers("&text=' or 1=1 --")).isEmpty();
        List<String> all = numbers("");
        assertThat(numbers("&skip=1")).isEqualTo(all.subList(1, all.size()));
        assertThat(numbers("&skip=" + (all.size() - 2))).isEqualTo(all.subList(all.size() - 2, all.size()));
        assertThat(numbers("&skip=" + all.size())).isEmpty();
        assertThat(numbers("&skip=-3")).isEqualTo(all);
        assertThat(ferro.get("/api/documents?route=yard&after=nonsense").status())
                .isEqualTo(422);
    }

    /// What a record is found by stands beside it (V61).
    @Test
    void aRecordIsFoundByWhatItIsCalledNow() {
        String set = "update record set party_name = :name, ledger_number = :there where number = 'HW-20388'";
        String name = world.jdbc()
                .sql("select party_name from record where number = 'HW-20388'")
                .query(String.class)
                .single();
        world.jdbc()
                .sql(set)
                .param("name", "Renamed Øre")
                .param("there", "INV-7")
                .update();
        assertThat(numbers("&text=med ØRE")).containsExactly("HW-20388");
        assertThat(numbers("&text=inv-7")).containsExactly("HW-20388");
        world.jdbc().sql(set).param("name", name).param("there", null).update();
        assertThat(numbers("&text=renamed")).isEmpty();
        assertThat(numbers("&text=20388")).containsExactly("HW-20388");
    }

    @Test
    void findingWorksByPartOfANumberOrName() {
        JsonNode number = ferro.get("/api/find?text=20388").json();
        assertThat(number.get("documents").findValuesAsString("number")).containsExactly("HW-20388");
        JsonNode name = ferro.get("/api/find?text=pell%20est").json();
        assertThat(name.get("documents").size()).isPositive();
        assertThat(name.get("codes").toString())
                .isEqualTo(
                        "[{\"kind\":\"PARTY\",\"code\":\"C-1002\",\"name\":\"Pell Estuary Trust\",\"route\":\"yard\"}]");
        assertThat(ferro.get("/api/find?text=rig-00").json().get("codes").findValuesAsString("kind"))
                .containsExactly("ITEM");
        assertThat(ferro.get("/api/find?text=4035").json().get("codes").findValuesAsString("kind"))
                .containsExactly("ACCOUNT");
        assertThat(ferro.get("/api/find?text=%25%25").json().get("codes").isEmpty())
                .isTrue();
    }

    @Test
    void whyTellsTheWalkBothTaxesAndTheJournal() {
        JsonNode why = ferro.get("/api/documents/"
                        + new Yard(ferro).document("HW-20372").get("id").asLong() + "/why")
                .json();
        assertThat(why.get("tax").get("source").get("tax").asString()).isEqualTo("0.24");
        assertThat(why.get("tax").get("ledger").get("tax").asString()).isEqualTo("0.23");
        assertThat(why.get("tax").get("rounding").asString()).isEqualTo("0.01");
        assertThat(why.get("journal").get("debit").asString()).isEqualTo("1.23");
        assertThat(why.get("lines").get(0).get("walk").findValuesAsString("verdict"))
                .containsExactly("no-row", "no-row", "answered", "not-asked", "not-asked", "not-asked", "not-asked");
    }

    @Test
    void causesComeInOneAnswerEachWithItsFirstPage() {
        JsonNode pages = ferro.get("/api/documents/by-cause?route=yard&state=Blocked&limit=2")
                .json();
        List<String> causes = List.copyOf(pages.propertyNames());
        assertThat(causes).contains("item-unmapped:RIG-0042", "tax-unmapped:VEU");
        for (String cause : causes) {
            JsonNode alone = ferro.get("/api/documents?route=yard&state=Blocked&limit=2&firstCause="
                            + java.net.URLEncoder.encode(cause, java.nio.charset.StandardCharsets.UTF_8))
                    .json();
            assertThat(pages.get(cause)).as(cause).isEqualTo(alone);
        }
        assertThat(ferro.get("/api/documents/by-cause?route=yard&state=Ready").json())
                .isEmpty();
        assertThat(world.api("slip")
                        .get("/api/documents/by-cause?route=harbour&state=Blocked")
                        .json())
                .isEmpty();
    }

    @Test
    void theDescriptionThatTheScreensAreBuiltFromIsCurrent() throws Exception {
        JsonNode served = ferro.get("/api/openapi").json();
        JsonNode kept = new tools.jackson.databind.json.JsonMapper()
                .readTree(java.nio.file.Path.of("../web/openapi.json").toFile());
        assertThat(served).as("refresh it with ./alcabala describe").isEqualTo(kept);
    }

    private static List<String> numbers(String filter) {
        return ferro.get("/api/documents?route=yard&limit=500"
                        + filter.replace(" ", "%20").replace("'", "%27"))
                .json()
                .get("rows")
                .findValuesAsString("number");
    }

    private static String dateOf(String number) {
        return world.jdbc()
                .sql("select issue_date::text from record where number = :n")
                .param("n", number)
                .query(String.class)
                .single();
    }
}
