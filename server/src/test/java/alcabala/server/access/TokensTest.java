package alcabala.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// What access tokens may do, and what ends them.
class TokensTest {
    private static World world;
    private Api ferro;
    private Api admin;

    @BeforeAll
    static void start() {
        world = World.inProcess();
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @BeforeEach
    void signIn() {
        world.jdbc().sql("delete from access_token; delete from spring_session").update();
        ferro = world.api("ferro");
        admin = world.api("admin");
    }

    @Test
    void eachPurposeOpensItsOwnAndNothingElse() {
        Api read = bearer(make(List.of("READ"), null));
        Api intake = bearer(make(List.of("INTAKE"), null));
        Api send = bearer(make(List.of("SEND"), null));
        Api change = bearer(make(List.of("CHANGE"), null));
        assertThat(read.get("/api/summary?route=yard").status()).isEqualTo(200);
        String reader = token(admin, Map.of("purposes", List.of("READ")));
        assertThat(bearer(reader).get("/actuator/prometheus").status()).isEqualTo(200);
        for (Api other : List.of(intake, send, change)) {
            assertThat(code(other.get("/api/summary?route=yard"))).isEqualTo("token-purpose");
        }
        assertThat(code(intake.xml("/api/intake?dryRun=true", new byte[0]))).isNotEqualTo("token-purpose");
        assertThat(code(send.xml("/api/intake?dryRun=true", new byte[0]))).isEqualTo("token-purpose");
        assertThat(send.post("/api/pull?route=yard", Map.of()).status())
                .as("and follows the work that this begins")
                .isEqualTo(200);
        for (Api other : List.of(read, intake, change)) {
            assertThat(code(other.post("/api/pull?route=yard", Map.of()))).isEqualTo("token-purpose");
            assertThat(code(other.post("/api/batches", Map.of()))).isEqualTo("token-purpose");
        }
        assertThat(code(change.put("/api/map/row", Map.of()))).isNotEqualTo("token-purpose");
        assertThat(code(send.put("/api/map/row", Map.of()))).isEqualTo("token-purpose");
    }

    @Test
    void noTokenMakesTokensOrSeesToPeopleAndSessions() {
        Api all = bearer(token(admin, Map.of()));
        assertThat(all.get("/api/session").status()).isEqualTo(200);
        for (String path : List.of("/api/session/tokens", "/api/session/all", "/api/people")) {
            assertThat(code(all.get(path))).as(path).isEqualTo("token-purpose");
            assertThat(code(all.post(path, Map.of()))).as(path).isEqualTo("token-purpose");
        }
        assertThat(code(all.put("/api/session/password", Map.of()))).isEqualTo("token-purpose");
        assertThat(code(all.delete("/api/session"))).isEqualTo("token-purpose");
    }

    @Test
    void aTokenForOneRouteSeesNoOther() {
        Api harbour = bearer(make(List.of("READ", "SEND"), "harbour"));
        assertThat(harbour.get("/api/documents?route=harbour").status()).isEqualTo(200);
        assertThat(code(harbour.get("/api/documents?route=yard"))).isEqualTo("token-other-route");
        assertThat(code(harbour.post("/api/pull?route=yard", Map.of()))).isEqualTo("token-other-route");
        assertThat(code(harbour.get("/api/trail"))).isEqualTo("token-other-route");
        assertThat(harbour.get("/api/routes")
                        .json()
                        .valueStream()
                        .map(route -> route.get("code").asString()))
                .containsExactly("harbour");
        long ofYard = ferro.get("/api/documents?route=yard")
                .json()
                .get("rows")
                .get(0)
                .get("id")
                .asLong();
        assertThat(harbour.get("/api/documents/" + ofYard).status()).isIn(403, 404);
        assertThat(ferro.post("/api/session/tokens", Map.of("route", "nowhere")).status())
                .isEqualTo(404);
    }

    @Test
    void aPasswordChangeAResetAndLeavingEndThem() {
        String before = token(ferro, Map.of());
        ferro.put("/api/session/password", Map.of("present", "ferro-corvane", "next", "four tall ships at dawn"));
        assertThat(status(before)).as("her own change").isEqualTo(401);
        String next = token(ferro, Map.of());
        admin.put("/api/people/ferro/password", Map.of("password", "ferro-corvane"));
        assertThat(status(next)).as("a reset").isEqualTo(401);
        String last = token(world.api("ferro"), Map.of());
        assertThat(status(last)).isEqualTo(200);
        active(false);
        assertThat(status(last)).as("left").isEqualTo(401);
        active(true);
        assertThat(status(last)).as("back, but it stays ended").isEqualTo(401);
    }

    @Test
    void administratorsSeeThemAndEndThem() {
        String made = token(ferro, Map.of("name", "nightly report", "purposes", List.of("READ"), "days", 7));
        assertThat(status(made)).isEqualTo(200);
        JsonNode listed = admin.get("/api/people/ferro/tokens").json().get(0);
        assertThat(listed.get("name").asString()).isEqualTo("nightly report");
        assertThat(listed.get("purposes").get(0).asString()).isEqualTo("READ");
        assertThat(listed.has("lastUsedAt")).isTrue();
        assertThat(listed.toString()).doesNotContain(made);
        String id = listed.get("id").asString();
        assertThat(world.api("voss").delete("/api/session/tokens/" + id).status())
                .as("not by somebody else")
                .isEqualTo(404);
        assertThat(admin.delete("/api/people/ferro/tokens/" + id).status()).isEqualTo(204);
        assertThat(status(made)).isEqualTo(401);
        assertThat(admin.get("/api/trail?text=token")
                        .json()
                        .valueStream()
                        .map(entry -> entry.get("action").asString()))
                .contains("token-made", "token-taken-back");
    }

    @Test
    void itEndsByItselfAndIsNotForEver() {
        assertThat(ferro.post("/api/session/tokens", Map.of("days", 367)).status())
                .isEqualTo(400);
        assertThat(ferro.post("/api/session/tokens", Map.of("days", 366)).status())
                .isEqualTo(200);
        String made = token(ferro, Map.of("days", 1));
        world.jdbc()
                .sql("update access_token set expires_at = now() - interval '1 second'")
                .update();
        assertThat(status(made)).isEqualTo(401);
    }

    private void active(boolean active) {
        int version = admin.get("/api/people")
                .json()
                .valueStream()
                .filter(person -> person.get("signIn").asString().equals("ferro"))
                .findFirst()
                .orElseThrow()
                .get("version")
                .asInt();
        admin.put(
                "/api/people/ferro",
                Map.of(
                        "name",
                        "L. Ferro",
                        "role",
                        "BOOKKEEPER",
                        "sees",
                        List.of(),
                        "active",
                        active,
                        "version",
                        version));
    }

    private String make(List<String> purposes, String route) {
        Map<String, Object> wanted = new HashMap<>(Map.of("purposes", purposes));
        if (route != null) {
            wanted.put("route", route);
        }
        return token(ferro, wanted);
    }

    private static String token(Api api, Map<String, Object> wanted) {
        return api.post("/api/session/tokens", wanted).json().get("token").asString();
    }

    private static int status(String token) {
        return bearer(token).get("/api/session").status();
    }

    private static Api bearer(String token) {
        return new Api(world.address()).withToken(token);
    }

    private static String code(Api.Response answer) {
        return answer.body().isEmpty() ? "" : answer.json().path("code").asString("");
    }
}
