package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// The bookkeeper's main job from end to end, by the API, to the cent.
class WholeCrossingTest {
    @Test
    void afterAllIsPutRightByHandEverythingCrossesAndBothSidesAgree() {
        try (World world = World.inProcess()) {
            Api ferro = world.api("ferro");
            Yard yard = new Yard(ferro);
            assertThat(yard.counts()).isEqualTo(Map.of("Blocked", 47, "Ready", 89, "Waiting", 14));

            JsonNode changed = yard.map("ITEM", "RIG-0042", "RIG-06", "");
            assertThat(changed.get("sentence").asString()).isEqualTo("15 documents released, €16,691.02");
            assertThat(changed.get("after")
                            .get("meaning")
                            .get("targets")
                            .get("INCOME")
                            .asString())
                    .as("the item brings its account")
                    .isEqualTo("4012");
            undo(ferro, yard);
            yard.mapEverything();
            assertThat(yard.counts()).isEqualTo(Map.of("Ready", 136, "Waiting", 14));

            approveAll(ferro, yard);
            assertThat(yard.counts()).isEqualTo(Map.of("Ready", 150));

            refuseAWrongTotal(ferro);
            long batch = yard.send(ids(yard.documents("Ready")));
            yard.awaitFinished(batch);
            assertThat(yard.counts()).isEqualTo(Map.of("Posted", 148, "Refused", 2));
            assertThat(yard.batch(batch).get("dispatches").findValuesAsString("refusalCode"))
                    .contains("period-locked", "number-taken");

            putRefusalsRight(world, ferro);
            yard.awaitFinished(yard.send(ids(concat(yard.documents("Ready"), yard.documents("Refused")))));
            assertThat(yard.counts()).isEqualTo(Map.of("Posted", 150));

            BigDecimal rounding = world.standIns().balance("6990");
            assertThat(world.standIns().balance("1100"))
                    .isEqualByComparingTo(world.standIns().hullworkSum("gross"));
            assertThat(world.standIns().balance("2200").add(rounding).negate())
                    .isEqualByComparingTo(world.standIns().hullworkSum("vat"));
            assertThat(rounding).as("the document that needs the rounding line").isNotZero();
            everyPredictedJournalIsTheLedgersOwn(world, ferro, yard);
            paymentsAndEditsComeBack(world, ferro, yard);
        }
    }

    private static void undo(Api ferro, Yard yard) {
        Map<String, Object> row =
                Map.of("route", "yard", "kind", "ITEM", "code", "RIG-0042", "expectedVersion", 1, "remove", true);
        assertThat(ferro.put("/api/map/row", row).json().get("blockedAgain").asInt())
                .isEqualTo(15);
        assertThat(ferro.put("/api/map/row", row).status())
                .as("somebody else was faster")
                .isEqualTo(409);
        assertThat(yard.counts()).containsEntry("Blocked", 47);
    }

    private static void approveAll(Api ferro, Yard yard) {
        JsonNode approved = ferro.post(
                        "/api/documents/approval", Map.of("route", "yard", "ids", ids(yard.documents("Waiting"))))
                .json();
        assertThat(approved.get("approved").asInt()).isEqualTo(14);
    }

    private static void refuseAWrongTotal(Api ferro) {
        Api.Response no = Yard.trySend(ferro, Map.of("route", "yard", "independentTotal", "1.00"));
        assertThat(no.status()).isEqualTo(409);
        assertThat(no.json().get("sentence").asString()).contains("€1.00");
        assertThat(Yard.trySend(ferro, Map.of("route", "yard", "independentTotal", "much"))
                        .status())
                .isEqualTo(422);
    }

    private static void putRefusalsRight(World world, Api ferro) {
        world.standIns()
                .desk(
                        "/inkwell/books/saltmere/lock",
                        "through=" + LocalDate.now().minusYears(1));
        String lines = "";
        JsonNode taken = new Api(world.standIns().address())
                .withToken("hullwork-demo-key")
                .get("/hullwork/api/documents/d-20388")
                .json();
        for (JsonNode line : taken.get("lines")) {
            lines += "&quantity=" + line.get("quantity").asDecimal() + "&unitPrice="
                    + line.get("unitPrice").asDecimal();
        }
        world.standIns()
                .desk(
                        "/hullwork/documents/d-20388/edit",
                        "number=HW-20988&date=" + taken.get("date").asString() + lines);
        assertThat(ferro.post("/api/pull?route=yard", Map.of())
                        .json()
                        .get("changed")
                        .asInt())
                .isEqualTo(1);
    }

    /// Inkwell shares no code with the prediction: that both agree is the proof.
    private static void everyPredictedJournalIsTheLedgersOwn(World world, Api ferro, Yard yard) {
        for (JsonNode row : yard.documents("Posted")) {
            JsonNode predicted = ferro.get("/api/documents/" + row.get("id").asLong() + "/why")
                    .json()
                    .get("journal")
                    .get("lines");
            JsonNode own = world.standIns()
                    .inkwell("/journal?document=" + row.get("ledgerRef").asString());
            assertThat(sides(predicted))
                    .as(row.get("number").asString())
                    .containsExactlyInAnyOrderElementsOf(sides(own));
        }
    }

    private static List<String> sides(JsonNode lines) {
        return lines.valueStream()
                .map(line -> line.get("account").asString() + " " + amount(line.get("debit")) + " "
                        + amount(line.get("credit")))
                .toList();
    }

    private static String amount(JsonNode node) {
        String text = node.asString();
        return text.isEmpty() ? "0" : new BigDecimal(text).stripTrailingZeros().toPlainString();
    }

    private static void paymentsAndEditsComeBack(World world, Api ferro, Yard yard) {
        JsonNode paid = yard.document("HW-20372");
        JsonNode edited = yard.document("HW-20302");
        assertThat(ferro.post("/api/pull?route=yard", Map.of())
                        .json()
                        .get("sentence")
                        .asString())
                .as("what Alcabala wrote itself is no news")
                .isEqualTo("Nothing new on either side");
        world.standIns()
                .desk(
                        "/inkwell/books/saltmere/documents/"
                                + paid.get("ledgerRef").asString() + "/pay",
                        "amount=1.23&date=" + LocalDate.now());
        JsonNode there =
                world.standIns().inkwell("/documents/" + edited.get("ledgerRef").asString());
        StringBuilder amounts = new StringBuilder();
        there.get("lines")
                .forEach(line -> amounts.append("&amount=")
                        .append(line.get("amount").asDecimal().add(BigDecimal.ONE)));
        world.standIns()
                .desk(
                        "/inkwell/books/saltmere/documents/" + there.get("id").asString() + "/edit",
                        "version=" + there.get("version").asInt() + "&due="
                                + there.get("due").asString() + amounts);
        JsonNode pulled = ferro.post("/api/pull?route=yard", Map.of()).json();
        assertThat(pulled.get("payments").asInt()).isEqualTo(1);
        assertThat(pulled.get("edits").asInt()).isEqualTo(1);
        assertThat(yard.document("HW-20372").get("payment").asString()).isEqualTo("paid");
        assertThat(yard.document("HW-20302").get("state").asString()).isEqualTo("Diverged");
        JsonNode sides =
                ferro.get("/api/documents/" + edited.get("id").asLong()).json().get("sides");
        assertThat(sides.get("fields").toString()).contains("\"differs\":true");
    }

    private static List<Long> ids(List<JsonNode> rows) {
        return rows.stream().map(row -> row.get("id").asLong()).toList();
    }

    private static List<JsonNode> concat(List<JsonNode> one, List<JsonNode> other) {
        return java.util.stream.Stream.concat(one.stream(), other.stream()).toList();
    }
}
