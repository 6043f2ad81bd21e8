package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import alcabala.server.Yard;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// Sites and departments reach the books of a ledger that has them, and say why.
class DimensionsTest {
    private static final String SETTINGS = "/inkwell/books/saltmere/settings/dimensions";
    private World world;
    private Api ferro;
    private Yard yard;

    @BeforeEach
    void start() {
        world = World.inProcess();
        ferro = world.api("ferro");
        yard = new Yard(ferro);
        world.standIns().desk(SETTINGS, "on=true");
        pull();
    }

    @AfterEach
    void stop() {
        world.close();
    }

    private void pull() {
        long ledger =
                ferro.get("/api/connect").json().get("ledgers").get(0).get("id").asLong();
        String pulls = "/api/connect/ledgers/" + ledger + "/pulls";
        long id = world.api("admin").post(pulls, Map.of()).json().get("pull").asLong();
        Await.until(
                "pull " + id + " is done",
                () -> ferro.get(pulls)
                        .json()
                        .valueStream()
                        .anyMatch(each -> each.get("id").asLong() == id
                                && each.get("state").asString().equals("done")));
    }

    private void say(String kind, String code, Meaning meaning, int version) {
        Api.Response answer = ferro.put("/api/map/row", Yard.row("yard", kind, code, meaning, version));
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
    }

    private static Meaning department(String value) {
        return new Meaning(Map.of(), Map.of("DEPT", value));
    }

    @Test
    void theyGoWithEachLineAndAreBookedThere() {
        assertThat(ferro.get("/api/map/row?route=yard&kind=SITE&code=Saltmere")
                        .json()
                        .get("further")
                        .findValuesAsString("dimension"))
                .as("after what its goods cost and where they lie")
                .endsWith("DEPT", "SITE");
        assertThat(ferro.get("/api/map/choices?route=yard&kind=SITE&purpose=DIMENSION&dimension=DEPT")
                        .json()
                        .findValuesAsString("code"))
                .as("one that is no longer in use is not offered")
                .contains("ENG")
                .doesNotContain("LOFT", "SALT");
        say("SITE", "Saltmere", new Meaning(Map.of(), Map.of("SITE", "SALT")), 0);
        say("LINE_KIND", "LABOUR", department("RIG"), 0);
        JsonNode category = row("category", "chandlery");
        say(
                "CATEGORY",
                "chandlery",
                new Meaning(Map.of(Purpose.INCOME, "4010"), Map.of("DEPT", "SHOP")),
                category.get("row").get("version").asInt());
        long id = yard.documents("Ready").stream()
                .filter(each -> each.get("landsIn").asString().contains("4010, "))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();

        JsonNode line = ferro.get("/api/documents/" + id + "/why")
                .json()
                .get("lines")
                .valueStream()
                .filter(each -> each.get("category").asString().equals("chandlery"))
                .findFirst()
                .orElseThrow();
        assertThat(line.get("dimensions")
                        .valueStream()
                        .map(each -> each.get("code").asString() + " "
                                + each.get("value").asString()))
                .containsExactly("DEPT SHOP", "SITE SALT");
        yard.awaitFinished(yard.send(List.of(id)));
        assertThat(yard.counts()).containsEntry("Posted", 1);
        List<String> booked = world.jdbc()
                .sql("select account || ' ' || dimensions from posting_line where account like '4%' order by 1")
                .query(String.class)
                .list();
        assertThat(booked).contains("4010 {\"DEPT\": \"SHOP\", \"SITE\": \"SALT\"}");
        assertThat(booked).allMatch(each -> each.contains("SALT"));
        assertThat(world.jdbc()
                        .sql("select ledger_now::text from link where record_id = :id")
                        .param("id", id)
                        .query(String.class)
                        .single())
                .contains("SHOP", "SALT");
    }

    @Test
    void aValueThatIsNoLongerInUseHoldsUpWhatUsesItUntilAnotherIsChosen() {
        say("SITE", "Saltmere", new Meaning(Map.of(), Map.of("SITE", "SALT")), 0);
        int ready = yard.counts().get("Ready");
        world.standIns().desk("/inkwell/books/saltmere/dimensions/SITE/SALT", "");
        pull();
        assertThat(yard.counts().getOrDefault("Ready", 0)).isZero();
        assertThat(yard.documents("Blocked").getFirst().get("cause").asString())
                .isEqualTo("dimension-unusable:SITE SALT");
        say("SITE", "Saltmere", new Meaning(Map.of(), Map.of("SITE", "ELL")), 1);
        assertThat(yard.counts()).containsEntry("Ready", ready);
        world.standIns().desk(SETTINGS, "on=false");
        pull();
        assertThat(yard.counts()).as("a ledger that has none is sent none").containsEntry("Ready", ready);
    }

    private JsonNode row(String kind, String code) {
        return ferro.get("/api/map/" + kind + "?route=yard")
                .json()
                .get("rows")
                .valueStream()
                .filter(each -> each.get("code").asString().equals(code))
                .findFirst()
                .orElseThrow();
    }
}
