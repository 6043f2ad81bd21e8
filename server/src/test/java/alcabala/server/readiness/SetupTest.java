package alcabala.server.readiness;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Consents;
import alcabala.server.World;
import alcabala.server.Yard;
import alcabala.server.demo.InkwellOwner;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// From nothing to ready through the API: how far it is always follows from what is there.
class SetupTest {
    @Test
    void everyStepIsDoneByWhatItAsksFor() {
        try (World world = World.empty()) {
            Api admin = becomeAdministrator(world);
            assertNext(admin, "LEDGER");
            long ledger = new Consents(
                            admin,
                            new InkwellOwner(world.standIns().address()),
                            world.standIns().address() + "/inkwell")
                    .connect("saltmere");
            assertNext(admin, "SOURCE");
            assertThat(admin.post("/api/connect/routes", route("yard", 1, ledger))
                            .status())
                    .as("no source yet")
                    .isEqualTo(409);
            long source = admin.post(
                            "/api/connect/sources",
                            Map.of(
                                    "kind", "hullwork",
                                    "address", world.standIns().address() + "/hullwork",
                                    "name", "Hullwork",
                                    "key", "hullwork-demo-key"))
                    .json()
                    .get("source")
                    .asLong();
            assertNext(admin, "ROUTE");
            addTheRoute(admin, source, ledger);
            assertNext(admin, "DOCUMENTS");
            assertThat(admin.post("/api/pull?route=yard", Map.of())
                            .json()
                            .get("added")
                            .asInt())
                    .isEqualTo(174);
            assertNext(admin, "ROLES");
            acceptSuggestions(admin);
            assertNext(admin, "DRY_RUN");
            assertThat(admin.get("/api/readiness?route=yard").status()).isEqualTo(200);
            assertNext(admin, "FIRST_BATCH");
            assertThat(new Yard(admin).counts()).containsEntry("Ready", 136).containsEntry("Waiting", 14);
        }
    }

    private static Api becomeAdministrator(World world) {
        Api stranger = new Api(world.address());
        stranger.get("/api/session/csrf");
        assertThat(stranger.get("/api/first").json().get("needed").asBoolean()).isTrue();
        Map<String, String> founder = Map.of(
                "secret", World.FIRST_SECRET, "signIn", "founder", "name", "Q. Founder", "password", "founder-corvane");
        assertThat(stranger.post("/api/first", founder).status()).isEqualTo(200);
        return world.api("founder");
    }

    private static void addTheRoute(Api admin, long source, long ledger) {
        assertThat(admin.post("/api/connect/routes", route("Not A Code", source, ledger))
                        .status())
                .isEqualTo(400);
        assertThat(admin.post("/api/connect/routes", route("yard", source, ledger))
                        .status())
                .isEqualTo(200);
        assertThat(admin.post("/api/connect/routes", route("yard-two", source, ledger))
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("site-routed");
    }

    private static Map<String, Object> route(String code, long source, long ledger) {
        return new TreeMap<>(Map.of(
                "code",
                code,
                "source",
                source,
                "ledger",
                ledger,
                "site",
                "Saltmere",
                "business",
                "Corvane Boatyards",
                "taxIdentifiers",
                List.of("IE6388047V")));
    }

    /// Exact ones without naming them; the others by name, after a look.
    private static void acceptSuggestions(Api admin) {
        assertThat(accept(admin, "ROLE", null)).isEqualTo(3);
        assertThat(accept(admin, "ROLE", null)).as("nothing twice").isZero();
        accept(admin, "TAX", List.of("V23", "V13", "V0", "VEU"));
        JsonNode categories = admin.get("/api/map/category?route=yard").json().get("rows");
        List<String> codes =
                categories.valueStream().map(row -> row.get("code").asString()).toList();
        assertThat(accept(admin, "CATEGORY", codes)).isEqualTo(12);
        takenBackAllOrNone(admin);
        assertThat(accept(admin, "ITEM", List.of("RIG-0042", "ENG-0310", "no-such")))
                .isEqualTo(2);
        assertThat(admin.get("/api/map/category?route=yard").json().get("rows").valueStream())
                .as("labour went to labour")
                .filteredOn(row -> row.get("code").asString().equals("rigging-labour"))
                .allMatch(row -> row.get("row")
                        .get("meaning")
                        .get("targets")
                        .get("INCOME")
                        .asString()
                        .equals("4020"));
        accept(admin, "PARTY", List.of("C-1001", "C-1002", "C-1003", "C-1006", "C-1011"));
    }

    private static void takenBackAllOrNone(Api admin) {
        assertThat(accept(admin, "ITEM", List.of("RIG-0042", "ENG-0310"))).isEqualTo(2);
        assertThat(takeAway(admin, Map.of("RIG-0042", 1, "ENG-0310", 2))
                        .json()
                        .get("code")
                        .asString())
                .as("one is not as it was seen")
                .isEqualTo("changed-meanwhile");
        assertThat(takeAway(admin, Map.of("RIG-0042", 1, "ENG-0310", 1)).status())
                .as("so none was taken away before")
                .isEqualTo(200);
        assertThat(takeAway(admin, Map.of()).status()).isEqualTo(400);
    }

    private static Api.Response takeAway(Api admin, Map<String, Integer> rows) {
        return admin.post("/api/map/rows/removal", Map.of("route", "yard", "kind", "ITEM", "rows", rows));
    }

    private static int accept(Api admin, String kind, List<String> codes) {
        Map<String, Object> body = new TreeMap<>(Map.of("route", "yard", "kind", kind));
        if (codes != null) {
            body.put("codes", codes);
        }
        Api.Response answer = admin.post("/api/map/suggestions", body);
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
        return answer.json().get("rows").size();
    }

    private static void assertNext(Api admin, String step) {
        JsonNode steps = admin.get("/api/setup").json().get("steps");
        assertThat(steps.valueStream()
                        .filter(each -> !each.get("done").asBoolean())
                        .findFirst()
                        .map(each -> each.get("step").asString()))
                .contains(step);
    }
}
