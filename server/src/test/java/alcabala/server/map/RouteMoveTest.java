package alcabala.server.map;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Consents;
import alcabala.server.World;
import alcabala.server.Yard;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// A route that moves to another company's books.
class RouteMoveTest {
    @Test
    void whatDoesNotCarryOverIsSaidBeforeAnythingChanges() {
        try (World world = World.inProcess()) {
            Consents consents = Consents.of(world);
            Api admin = consents.admin();
            long charter = consents.connect("charter");
            JsonNode plan =
                    admin.get("/api/map/move?route=yard&toLedger=" + charter).json();
            assertThat(plan.get("carried").asInt()).isEqualTo(14);
            assertThat(reason(plan, "haul-out")).isEqualTo("account 4030 is of type liability there, revenue here");
            assertThat(reason(plan, "V13")).isEqualTo("tax code R13 is 9 % there, 13.5 % here");
            assertThat(reason(plan, "paint")).isEqualTo("there is no account 4015");
            assertThat(reason(plan, "C-1003")).isEqualTo("there is no party IC-1003");
            assertThat(plan.get("left").get(0).get("gross").get(0).get("amount").asDecimal())
                    .isPositive();
            assertThat(new Yard(admin).counts()).as("nothing changed yet").containsEntry("Ready", 89);

            Yard yard = new Yard(world.api("ferro"));
            long first = yard.documents("Ready").getFirst().get("id").asLong();
            yard.awaitFinished(yard.send(List.of(first)));
            move(admin, charter);
            assertThat(yard.counts().get("Posted")).isOne();
            assertThat(yard.counts().get("Ready")).isLessThan(40);
            assertThat(admin.get("/api/documents/" + first)
                            .json()
                            .get("sides")
                            .get("ledgerDesk")
                            .asString())
                    .as("what was posted stays where it is")
                    .contains("/inkwell/books/saltmere/documents/");
            assertThat(yard.api().get("/api/routes").json().get(0).get("ledger").asString())
                    .isEqualTo("Inkwell, Corvane Charter");
            theSameIdInAnotherCompanyIsAnotherCustomer(admin, yard);
        }
    }

    /// IC-1001 is Ostrander in the one company and Wherry in the other; IC-1002 is the same trust in both.
    private static void theSameIdInAnotherCompanyIsAnotherCustomer(Api admin, Yard yard) {
        JsonNode parties = admin.get("/api/map/party?route=yard").json().get("rows");
        assertThat(row(parties, "C-1002")
                        .get("row")
                        .get("meaning")
                        .get("targets")
                        .get("COUNTERPART")
                        .asString())
                .isEqualTo("IC-1002");
        assertThat(row(parties, "C-1001").has("row")).isFalse();
        assertThat(yard.documents("Ready"))
                .allMatch(document -> document.get("ledgerRef").asString().isEmpty());
    }

    @Test
    void whileDocumentsAreOnTheirWayNothingMoves() {
        try (World world = World.inProcess()) {
            Consents consents = Consents.of(world);
            long charter = consents.connect("charter");
            Yard yard = new Yard(world.api("ferro"));
            world.standIns().fault("inkwell", "SLOW", 0);
            long batch = yard.send(
                    List.of(yard.documents("Ready").getFirst().get("id").asLong()));
            Api.Response refused = consents.admin().post("/api/map/move", Map.of("route", "yard", "toLedger", charter));
            assertThat(refused.status()).isEqualTo(409);
            assertThat(refused.json().get("sentence").asString()).contains("1 document is on its way to Inkwell");
            assertThat(consents.admin()
                            .delete("/api/connect/ledgers/"
                                    + consents.inkwell().get("id").asLong())
                            .status())
                    .isEqualTo(409);
            world.standIns().fault("inkwell", "NONE", 0);
            yard.awaitFinished(batch);
            move(consents.admin(), charter);
            assertThat(consents.admin()
                            .get("/api/map/move?route=yard&toLedger=4711")
                            .status())
                    .isEqualTo(404);
        }
    }

    private static void move(Api admin, long ledger) {
        assertThat(admin.post("/api/map/move", Map.of("route", "yard", "toLedger", ledger))
                        .status())
                .isEqualTo(200);
    }

    private static String reason(JsonNode plan, String code) {
        return row(plan.get("left"), code).get("reason").asString();
    }

    private static JsonNode row(JsonNode rows, String code) {
        return rows.valueStream()
                .filter(row -> row.get("code").asString().equals(code))
                .findFirst()
                .orElseThrow(() -> new AssertionError(code + " is not in " + rows));
    }
}
