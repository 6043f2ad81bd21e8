package alcabala.server.items;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import tools.jackson.databind.JsonNode;

/// Items get names that the ledger takes before the first is created, and all that are there can be written anew.
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class ItemsThereTest {
    private static World world;
    private static Api ferro;
    private static Yard yard;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        ferro = world.api("ferro");
        yard = new Yard(ferro);
        yard.mapEverything();
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    private static JsonNode names() {
        return ferro.get("/api/items/names?route=yard").json();
    }

    private static Map<String, String> proposed() {
        return names().get("rows")
                .valueStream()
                .filter(row -> !row.get("proposed").asString().isEmpty())
                .collect(Collectors.toMap(
                        row -> row.get("code").asString(),
                        row -> row.get("proposed").asString()));
    }

    private static JsonNode tryNames(Map<String, String> names) {
        return ferro.post("/api/map/bulk/names", Map.of("route", "yard", "names", names))
                .json();
    }

    @Test
    @Order(1)
    void asLongAsTwoWouldBeNamedAlikeNoneIsCreated() {
        assertThat(names().get("alike").asInt()).isZero();
        assertThat(names().get("limit").asInt()).isEqualTo(31);
        world.jdbc().sql("""
                insert into source_item (source_id, code, name, category, kind)
                    select source.id, more.code, more.name, 'chandlery', 'GOODS' from source, (values
                        ('BLK-57', 'Ratchet block, 57 mm, with becket'), ('BLK-58', 'Ratchet block, 57 mm, with beckets'),
                        ('STRAIN-1', 'Strainer: raw water')) as more (code, name)
                    where source.name = 'Hullwork'""").update();
        world.jdbc()
                .sql("update source set catalogue_version = nextval('state_version')")
                .update();
        JsonNode found = names();
        assertThat(found.get("rows").findValuesAsString("code")).containsExactly("BLK-57", "BLK-58");
        assertThat(found.get("fitted").asInt())
                .as("two are cut; what has a colon is there already")
                .isEqualTo(2);
        Api.Response no = Yard.trySend(ferro, Map.of("route", "yard"));
        assertThat(no.json().get("code").asString())
                .as("though no document in the batch has either")
                .isEqualTo("names-collide");
        assertThat(world.standIns().postedReferences()).isEmpty();
    }

    @Test
    @Order(2)
    void namesThatAreProposedSettleItTogetherAndCanBeTakenBack() {
        JsonNode wrong = tryNames(Map.of("BLK-57", "b".repeat(32), "BLK-58", "Block: 57", "NONE", "Nothing"));
        assertThat(wrong.get("problems").findValuesAsString("sentence"))
                .filteredOn(each -> each.contains("31 characters at most, without :"))
                .hasSize(2);
        assertThat(tryNames(Map.of("BLK-57", "b".repeat(31))).get("wrong").asInt())
                .isZero();
        Map<String, String> proposed = proposed();
        assertThat(proposed)
                .containsEntry("BLK-57", "Ratchet block, 57 mm, wi BLK-57")
                .containsEntry("BLK-58", "Ratchet block, 57 mm, wi BLK-58");
        long bulk = tryNames(proposed).get("id").asLong();
        ferro.post("/api/map/bulk/" + bulk + "/doing", Map.of());
        assertThat(names().get("alike").asInt()).isZero();
        assertThat(openItems()).as("a name says not where it goes").contains("BLK-57");

        ferro.post("/api/map/bulk/" + bulk + "/undoing", Map.of());
        assertThat(names().get("alike").asInt()).isEqualTo(2);
        long again = tryNames(proposed()).get("id").asLong();
        ferro.post("/api/map/bulk/" + again + "/doing", Map.of());
        Meaning goods = Meaning.NONE.with(Purpose.COST, "5010").with(Purpose.STOCK, "1300");
        ferro.put("/api/map/row", Yard.row("yard", "LINE_KIND", "GOODS", goods, 0));
        int items = names().get("items").asInt();
        yard.awaitFinished(yard.send(List.of(withNewItem())));
        assertThat(names().get("items").asInt())
                .as("what was created is no new item any more")
                .isLessThan(items);
    }

    /// As the same rules say that would book it; what is not stocked has neither a cost nor a stock.
    @Test
    @Order(3)
    void whatIsCreatedCarriesItsUnitAndItsAccounts() {
        Map<Boolean, List<JsonNode>> created = world.standIns()
                .inkwell("/items")
                .valueStream()
                .filter(item -> item.hasNonNull("externalReference"))
                .collect(Collectors.partitioningBy(item ->
                        List.of("goods", "kit").contains(item.get("kind").asString())));
        assertThat(created.get(true)).isNotEmpty().allSatisfy(item -> {
            assertThat(item.get("costAccount").asString()).isEqualTo("5010");
            assertThat(item.get("stockAccount").asString()).isEqualTo("1300");
        });
        assertThat(created.get(false))
                .allSatisfy(item -> assertThat(item.hasNonNull("costAccount")).isFalse());
        assertThat(created.values().stream().flatMap(List::stream))
                .allSatisfy(item -> assertThat(item.get("unit").asString()).isIn("C62", "HUR"));
    }

    private static String openItems() {
        return ferro.get("/api/map/item?route=yard&limit=500")
                .json()
                .get("rows")
                .valueStream()
                .filter(row -> !row.has("row") || row.get("row").toString().contains("NAME"))
                .map(JsonNode::toString)
                .collect(Collectors.joining());
    }

    private static long withNewItem() {
        return yard.documents("Ready").getFirst().get("id").asLong();
    }

    @Test
    @Order(4)
    void allItemsAreWrittenAnewAndWhatWasCutOffIsGoneOnWith() {
        JsonNode stands = item("RIG-06");
        yard.map("ITEM", "STRAIN-1", "", "4010");
        // As an older state of the database has it.
        world.jdbc().sql("update ledger_item set told = code <> 'RIG-06'").update();
        assertThat(ferro.post("/api/items/rewritings?route=yard", Map.of())
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("items-not-whole");
        world.jdbc().sql("update ledger_item set told = true").update();
        JsonNode listed =
                ferro.post("/api/items/rewritings?route=yard", Map.of()).json();
        long id = listed.get("id").asLong();
        Map<String, String> wanted = new HashMap<>();
        listed.get("rows").forEach(row -> wanted.put(row.get("there").asString(), changed(row, "name")));
        assertThat(wanted).containsKey("RIG-06");
        JsonNode strainer = row(listed, "STRAIN-1");
        assertThat(changed(strainer, "account")).isEqualTo("4010");
        assertThat(changed(strainer, "cost account")).isEqualTo("5010");
        assertThat(changed(strainer, "unit")).as("its source tells of none").isEmpty();
        assertThat(item("RIG-06").get("name")).as("listing changes nothing").isEqualTo(stands.get("name"));

        world.standIns().fault("inkwell", "UNAVAILABLE", 0);
        JsonNode stopped =
                ferro.post("/api/items/rewritings/" + id + "/running", Map.of()).json();
        assertThat(stopped.get("state").asString()).isEqualTo("STOPPED");
        assertThat(stopped.get("reason").asString()).contains("can be gone on with");
        assertThat(stopped.get("done").asInt()).isZero();
        world.standIns().fault("inkwell", "NONE", 0);

        // As if the server had ended after the ledger took the first, and somebody changed another there.
        world.jdbc()
                .sql("update item_rewriting set state = 'RUNNING' where id = :id")
                .param("id", id)
                .update();
        world.jdbc().sql("""
                        update item_rewriting_row set before = before || '{"name": "Called otherwise", "unit": "MTR"}'
                        where there = 'RIG-06\'""").update();
        world.standIns().fault("inkwell", "ANSWER_LOST", 1);
        JsonNode done =
                ferro.post("/api/items/rewritings/" + id + "/running", Map.of()).json();
        assertThat(done.get("state").asString()).isEqualTo("DONE");
        assertThat(done.get("open").asInt()).isZero();
        assertThat(done.get("left").asInt()).isOne();
        assertThat(done.get("rows").get(0).get("sentence").asString())
                .startsWith("It was changed there meanwhile: name “Called otherwise” is “")
                .contains("unit “MTR” is “");
        wanted.forEach((code, name) -> assertThat(item(code).get("name").asString())
                .as(code)
                .isEqualTo(code.equals("RIG-06") || name.isEmpty() ? nameBefore(listed, code) : name));
        JsonNode strained = item("STRAIN-1");
        assertThat(strained.get("account").asString()).isEqualTo("4010");
        assertThat(strained.get("costAccount").asString()).isEqualTo("5010");
        assertThat(strained.get("kind").asString()).isEqualTo("goods");
        assertThat(wanted).containsEntry("STRAIN-1", "Strainer raw water");
        JsonNode rest = ferro.post("/api/items/rewritings?route=yard", Map.of()).json();
        assertThat(rest.get("rows").findValuesAsString("there"))
                .as("it is known what stands there by now")
                .containsExactly("RIG-06");
    }

    private static JsonNode row(JsonNode rewriting, String there) {
        return rewriting
                .get("rows")
                .valueStream()
                .filter(row -> row.get("there").asString().equals(there))
                .findFirst()
                .orElseThrow();
    }

    private static String nameBefore(JsonNode rewriting, String there) {
        return row(rewriting, there).get("name").asString();
    }

    /// Empty where it stays as it is.
    private static String changed(JsonNode row, String what) {
        return row.get("changes")
                .valueStream()
                .filter(change -> change.get("what").asString().equals(what))
                .map(change -> change.get("after").asString())
                .findFirst()
                .orElse("");
    }

    private static JsonNode item(String code) {
        return world.standIns().inkwell("/items/" + code);
    }
}
