package alcabala.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// Operations people see what became of the documents of their sites, and nothing else.
class SightTest {
    private static World world;
    private static Api admin;
    private static long hullwork;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        admin = world.api("admin");
        hullwork = world.jdbc()
                .sql("select source_id from route where code = 'yard'")
                .query(Long.class)
                .single();
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @Test
    void documentsOfAnotherSourceAreNotThere() {
        Api slip = world.api("slip");
        assertThat(routes(slip)).containsExactly("yard", "unrouted-1");
        JsonNode harbour = admin.get("/api/documents?route=harbour").json().get("rows");
        assertThat(harbour).isNotEmpty();
        long id = harbour.get(0).get("id").asLong();
        assertThat(slip.get("/api/documents?route=harbour").json().get("rows")).isEmpty();
        assertThat(slip.get("/api/summary?route=harbour").json().get("states")).isEmpty();
        assertThat(slip.get("/api/summary?route=harbour").json().get("causes")).isEmpty();
        assertThat(slip.get("/api/documents/" + id).status()).isEqualTo(404);
        assertThat(slip.get("/api/documents/" + id + "/trail").status()).isEqualTo(404);
        assertThat(slip.get("/api/road?route=harbour").json().get("ready").asInt())
                .isZero();
    }

    @Test
    void whatBecameOfADocumentIsToldAndNotHowItIsBooked() {
        Yard ferro = new Yard(world.api("ferro"));
        JsonNode ready = ferro.documents("Ready").getFirst();
        long id = ready.get("id").asLong();
        ferro.awaitFinished(ferro.send(List.of(id)));
        Api slip = world.api("slip");
        JsonNode detail = slip.get("/api/documents/" + id).json();
        assertThat(detail.get("document").get("state").asString()).isEqualTo("Posted");
        assertThat(detail.get("document").get("ledgerNumber").asString()).isNotEmpty();
        assertThat(detail.get("document").get("landsIn").asString()).isEmpty();
        assertThat(detail.get("document").get("taxCodes").asString()).isEmpty();
        assertThat(detail.get("sides").get("journal")).isEmpty();
        assertThat(detail.get("sides").get("ledgerDesk").asString()).isEmpty();
        assertThat(detail.get("sides").get("lines").valueStream())
                .isNotEmpty()
                .allMatch(line -> line.get("ledgerAccount").asString().isEmpty()
                        && line.get("ledgerTaxCode").asString().isEmpty());
        assertThat(slip.get("/api/documents?route=yard&limit=500")
                        .json()
                        .get("rows")
                        .valueStream())
                .allMatch(row -> row.get("landsIn").asString().isEmpty());

        String seen = slip.get("/api/documents/" + id + "/trail").body();
        assertThat(seen).contains("\"answered\"", "\"sent\"", "\"queued\"").doesNotContain("account", "landsIn");
        assertThat(admin.get("/api/documents/" + id + "/trail").body()).contains("account", "landsIn");
        assertThat(admin.get("/api/documents/" + id).json().get("sides").get("journal"))
                .isNotEmpty();
    }

    @Test
    void theRoadCountsTheirDocumentsAndNothingElse() {
        JsonNode theirs = world.api("slip").get("/api/road?route=yard").json();
        JsonNode whole = admin.get("/api/road?route=yard").json();
        for (String count : List.of("ready", "blocked", "refused")) {
            assertThat(theirs.get(count)).as(count).isEqualTo(whole.get(count));
        }
        assertThat(theirs.get("readySums")).isEqualTo(whole.get("readySums"));
        assertThat(whole.get("connections").asInt()).isPositive();
        assertThat(theirs.get("connections").asInt()).isZero();
        assertThat(theirs.get("unmapped").asInt()).isZero();
    }

    @Test
    void oneSiteOfASourceIsSeenByItself() {
        add("pilot", List.of(Map.of("source", hullwork, "site", "Port Ellery")));
        Api pilot = world.api("pilot");
        assertThat(routes(pilot)).containsExactly("unrouted-1");
        assertThat(pilot.get("/api/documents?route=yard&limit=500").json().get("rows"))
                .isEmpty();
        assertThat(pilot.get("/api/documents?route=unrouted-1&limit=500").json().get("rows"))
                .hasSize(24);
        assertThat(pilot.get("/api/summary?route=unrouted-1")
                        .json()
                        .get("causes")
                        .get(0)
                        .get("documents")
                        .asInt())
                .isEqualTo(21);
        JsonNode listed = admin.get("/api/people")
                .json()
                .valueStream()
                .filter(each -> each.get("signIn").asString().equals("pilot"))
                .findFirst()
                .orElseThrow();
        assertThat(listed.get("sees").get(0).get("site").asString()).isEqualTo("Port Ellery");
        assertThat(admin.get("/api/trail?text=pilot")
                        .json()
                        .get(0)
                        .get("detail")
                        .get("sees")
                        .asString())
                .isEqualTo("Hullwork Port Ellery");
    }

    @Test
    void whatSomebodySeesIsChangedAndWhoIsGivenNothingSeesNothing() {
        add("mate", List.of());
        assertThat(routes(world.api("mate"))).isEmpty();
        Map<String, Object> changed = Map.of(
                "name", "M. Ate", "role", "OPERATIONS", "active", true, "version", 1, "sees", List.of(seen(999_999)));
        assertThat(admin.put("/api/people/mate", changed).status())
                .as("a source that is not there")
                .isEqualTo(404);
        assertThat(routes(world.api("mate"))).isEmpty();
        Map<String, Object> right = Map.of(
                "name", "M. Ate", "role", "OPERATIONS", "active", true, "version", 1, "sees", List.of(seen(hullwork)));
        assertThat(admin.put("/api/people/mate", right).status()).isEqualTo(204);
        assertThat(routes(world.api("mate"))).containsExactly("yard", "unrouted-1");
        Map<String, Object> reads = Map.of(
                "name", "M. Ate", "role", "REVIEWER", "active", true, "version", 2, "sees", List.of(seen(hullwork)));
        assertThat(admin.put("/api/people/mate", reads).status()).isEqualTo(204);
        assertThat(routes(world.api("mate"))).as("a reviewer sees all").contains("harbour");
        assertThat(world.jdbc()
                        .sql(
                                "select count(*) from sight g join person p on p.id = g.person_id where p.sign_in = 'mate'")
                        .query(Integer.class)
                        .single())
                .isZero();
    }

    private static Map<String, Object> seen(long source) {
        return Map.of("source", source, "site", "");
    }

    private static void add(String signIn, List<?> sees) {
        assertThat(admin.post(
                                "/api/people",
                                Map.of(
                                        "signIn", signIn,
                                        "name", signIn,
                                        "role", "OPERATIONS",
                                        "sees", sees,
                                        "password", signIn + "-corvane"))
                        .status())
                .isEqualTo(204);
    }

    private static List<String> routes(Api api) {
        return api.get("/api/routes")
                .json()
                .valueStream()
                .map(route -> route.get("code").asString())
                .toList();
    }
}
