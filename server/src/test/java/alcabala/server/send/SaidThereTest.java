package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// What a document says beside its money, edited on the ledger: the texts of its lines, its note, its terms, and fields
/// of the business's own.
class SaidThereTest extends OnBothSides {
    @BeforeAll
    static void leadAFieldThere() {
        yard.mapEverything();
        yard.map("FIELD", "hull-no", "HULL", "");
        decide("WORK_DESCRIPTION", "yes");
    }

    /// @param first what the first line says instead; null for what it says
    private static void edit(Posted posted, Map<String, String> says, String first) {
        StringBuilder form =
                new StringBuilder("version=" + onLedger(posted).get("version").asInt() + "&due="
                        + onLedger(posted).get("due").asString());
        for (JsonNode line : onLedger(posted).get("lines")) {
            boolean changed = first != null && line.get("no").asInt() == 1;
            form.append("&amount=").append(line.get("amount").asDecimal().toPlainString());
            add(form, "text", changed ? first : line.get("text").asString());
        }
        says.forEach((name, value) -> add(form, name, value));
        world.standIns().desk(posted.desk() + "/edit", form.toString());
    }

    private static void add(StringBuilder form, String name, String value) {
        form.append('&').append(name).append('=').append(URLEncoder.encode(value, StandardCharsets.UTF_8));
    }

    private static List<String> changes(Posted posted) {
        return admin.get("/api/documents/" + posted.id())
                .json()
                .get("sides")
                .get("changes")
                .findValuesAsString("field");
    }

    @Test
    void whatWasSaidThereStaysWhenBothSidesKeepWhatTheyChanged() {
        Posted posted = post();
        edit(posted, Map.of("note", "With thanks, \u2013 the books", "field-HULL", "CB-7", "terms", "14D"), null);
        redate(posted, day(posted).minusDays(1));
        fetch();
        assertThat(since(posted)).isEqualTo("true true");
        assertThat(changes(posted)).contains("note", "terms", "field HULL", "issue-date");
        settle(posted, "BOTH");
        JsonNode there = onLedger(posted);
        assertThat(there.get("note").asString()).isEqualTo("With thanks, \u2013 the books");
        assertThat(there.get("terms").asString()).isEqualTo("14D");
        assertThat(there.get("fields").get("HULL").asString()).isEqualTo("CB-7");
        assertThat(state(posted)).isEqualTo("Posted");
        fetch();
        assertThat(state(posted)).as("and it is no news any more").isEqualTo("Posted");
        assertStandsOnce(posted);
    }

    @Test
    void theTrailKeepsEachEditAsItWasRead() {
        Posted posted = post();
        edit(posted, Map.of("note", "First"), null);
        fetch();
        edit(posted, Map.of("note", "Second", "field-HULL", "CB-8"), null);
        fetch();
        fetch();
        assertThat(told(posted, "edited-on-ledger", "changed"))
                .containsExactly("{\"note\":\"First\"}", "{\"note\":\"Second\",\"field HULL\":\"CB-8\"}");
        settle(posted, "SOURCE");
        assertThat(told(posted, "sent-in-place", "replaced"))
                .containsExactly("{\"note\":\"Second\",\"field HULL\":\"CB-8\"}");
    }

    @Test
    void aFieldThatNothingIsLedIntoIsTheLedgersAlone() {
        Posted posted = post();
        edit(posted, Map.of("field-WEIGHT", "1200"), null);
        fetch();
        assertThat(state(posted)).isEqualTo("Posted");
        redate(posted, day(posted).minusDays(1));
        fetch();
        yard.awaitFinished(yard.send(List.of(posted.id())));
        assertThat(onLedger(posted).get("fields").get("WEIGHT").asString()).isEqualTo("1200");
        assertThat(state(posted)).isEqualTo("Posted");
    }

    @Test
    void theTextOfALineIsPartOfTheLine() {
        Posted posted = post();
        edit(posted, Map.of(), "Hull washed, twice");
        fetch();
        assertThat(since(posted)).isEqualTo("false true");
        assertThat(changes(posted)).containsExactly("line 1");
        redate(posted, day(posted).minusDays(1));
        fetch();
        settle(posted, "BOTH");
        assertThat(onLedger(posted).get("lines").get(0).get("text").asString()).isEqualTo("Hull washed, twice");
        editOnSource(posted, "12.30");
        fetch();
        yard.awaitFinished(yard.send(List.of(posted.id())));
        assertThat(onLedger(posted).get("lines").get(0).get("text").asString())
                .as("the line goes as a whole once its source changed it")
                .isNotEqualTo("Hull washed, twice");
        assertThat(admin.get("/api/documents/" + posted.id() + "/trail").body())
                .as("what was replaced is known")
                .contains("Hull washed, twice");
    }
}
