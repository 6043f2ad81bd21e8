package alcabala.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// People, their roles, sessions, passwords and tokens.
class PeopleTest {
    private static World world;
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
        admin = world.api("admin");
    }

    @Test
    void aPersonIsAddedChangesRoleAndLeaves() {
        assertThat(add("marlow", "BOOKKEEPER", "short").json().get("code").asString())
                .isEqualTo("password-short");
        assertThat(add("Not Good", "BOOKKEEPER", "long-enough-1").status()).isEqualTo(400);
        assertThat(add("marlow", "BOOKKEEPER", "marlow-corvane").status()).isEqualTo(204);
        JsonNode taken = add("marlow", "BOOKKEEPER", "marlow-corvane").json();
        assertThat(taken.get("code").asString()).isEqualTo("sign-in-taken");
        assertThat(taken.get("fields").get("signIn").asString()).isEqualTo("Somebody signs in as marlow already.");
        assertThat(add("Not Good", "BOOKKEEPER", "short").json().get("fields").propertyNames())
                .as("each stands where it was typed")
                .contains("signIn");
        Api marlow = world.api("marlow");
        assertThat(marlow.post("/api/pull?route=yard", Map.of()).status()).isEqualTo(200);
        String token =
                marlow.post("/api/session/tokens", Map.of()).json().get("token").asString();

        assertThat(change("marlow", "REVIEWER", true, 1).status()).isEqualTo(204);
        assertThat(marlow.get("/api/routes").status()).as("signed out by it").isEqualTo(401);
        assertThat(bearer(token).post("/api/pull?route=yard", Map.of()).status())
                .as("the token follows the role")
                .isEqualTo(403);
        assertThat(change("marlow", "REVIEWER", true, 1).json().get("code").asString())
                .as("an old version")
                .isEqualTo("changed-meanwhile");

        assertThat(change("marlow", "REVIEWER", false, 2).status()).isEqualTo(204);
        assertThat(bearer(token).get("/api/routes").status()).isEqualTo(401);
        assertThat(signIn("marlow", "marlow-corvane").status()).isEqualTo(401);
        assertThat(change("nobody", "REVIEWER", false, 1).status()).isEqualTo(404);
    }

    @Test
    void somebodyStaysAdministrator() {
        Api.Response refused = change("admin", "BOOKKEEPER", true, 1);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.json().get("code").asString()).isEqualTo("last-administrator");
        assertThat(admin.get("/api/people").status()).as("still one").isEqualTo(200);
        add("second", "ADMINISTRATOR", "second-corvane");
        assertThat(change("admin", "BOOKKEEPER", true, 1).status()).isEqualTo(204);
        admin = world.api("second");
        assertThat(change("admin", "ADMINISTRATOR", true, 2).status()).isEqualTo(204);
    }

    @Test
    void aPasswordIsChangedAndTheOtherSessionsEnd() {
        Api desk = world.api("ferro");
        Api laptop = world.api("ferro");
        assertThat(desk.get("/api/session/all").json()).hasSize(2);
        assertThat(laptop.put("/api/session/password", Map.of("present", "wrong", "next", "a-new-long-one"))
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("password-wrong");
        assertThat(laptop.put("/api/session/password", Map.of("present", "ferro-corvane", "next", "a-new-long-one"))
                        .status())
                .isEqualTo(204);
        assertThat(desk.get("/api/routes").status()).isEqualTo(401);
        assertThat(laptop.get("/api/routes").status()).isEqualTo(200);
        assertThat(signIn("ferro", "ferro-corvane").status()).isEqualTo(401);
        assertThat(signIn("ferro", "a-new-long-one").status()).isEqualTo(200);

        assertThat(laptop.delete("/api/session/all").status()).isEqualTo(204);
        assertThat(laptop.get("/api/routes").status())
                .as("signed out everywhere")
                .isEqualTo(401);

        assertThat(admin.put("/api/people/ferro/password", Map.of("password", "set-by-the-admin"))
                        .status())
                .isEqualTo(204);
        assertThat(signIn("ferro", "set-by-the-admin").status()).isEqualTo(200);
        admin.put("/api/people/ferro/password", Map.of("password", "ferro-corvane"));
    }

    @Test
    void oneSessionIsEndedAndNobodyElses() {
        Api desk = world.api("ferro");
        Api laptop = world.api("ferro");
        JsonNode sessions = laptop.get("/api/session/all").json();
        String other = sessions.valueStream()
                .filter(each -> !each.get("present").asBoolean())
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        world.api("voss").delete("/api/session/all/" + other);
        assertThat(desk.get("/api/routes").status()).as("not by somebody else").isEqualTo(200);
        laptop.delete("/api/session/all/" + other);
        assertThat(desk.get("/api/routes").status()).isEqualTo(401);
    }

    @Test
    void theTrailOfSettingsSaysWhoDidWhatAndIsFiltered() {
        add("conrad", "OPERATIONS", "conrad-corvane");
        JsonNode all = admin.get("/api/trail").json();
        assertThat(all.get(0).get("action").asString()).isEqualTo("person-added");
        assertThat(all.get(0).get("who").asString()).isNotEmpty();
        assertThat(all.toString()).doesNotContain("conrad-corvane");
        assertThat(admin.get("/api/trail?text=ledger-connected").json()).hasSize(1);
        assertThat(admin.get("/api/trail?who=Nobody").json()).isEmpty();
        assertThat(admin.get("/api/trail?text=%25").json())
                .as("a wildcard is a letter")
                .isEmpty();
        assertThat(admin.get("/api/trail?before=" + all.get(0).get("id").asLong())
                        .json())
                .hasSize(all.size() - 1);
    }

    @Test
    void theFirstAdministratorNeedsTheSecretAndIsSignedInAtOnce() {
        Api stranger = new Api(world.address());
        stranger.get("/api/session/csrf");
        assertThat(stranger.get("/api/first").json().get("needed").asBoolean()).isFalse();
        assertThat(first(stranger, World.FIRST_SECRET).json().get("code").asString())
                .isEqualTo("not-first");
        world.jdbc().sql("create table person_before as select * from person").update();
        world.jdbc()
                .sql(
                        "delete from spring_session; delete from access_token; delete from sight; delete from known_browser; delete from person")
                .update();
        assertThat(stranger.get("/api/first").json().get("needed").asBoolean()).isTrue();
        assertThat(first(stranger, "a guess").json().get("code").asString()).isEqualTo("secret-wrong");
        Api.Response me = first(stranger, World.FIRST_SECRET);
        assertThat(me.json().get("role").asString()).isEqualTo("ADMINISTRATOR");
        stranger.get("/api/session/csrf");
        assertThat(stranger.get("/api/people").json()).as("signed in already").hasSize(1);
        assertThat(first(stranger, World.FIRST_SECRET).status()).isEqualTo(409);
        world.jdbc()
                .sql(
                        "delete from known_browser; delete from person; insert into person overriding system value select * from person_before; drop table person_before")
                .update();
    }

    private static Api.Response first(Api api, String secret) {
        return api.post(
                "/api/first",
                Map.of(
                        "secret",
                        secret,
                        "signIn",
                        "founder",
                        "name",
                        "F. Ounder",
                        "password",
                        "four tall ships at dawn"));
    }

    private Api.Response add(String signIn, String role, String password) {
        return admin.post(
                "/api/people",
                Map.of("signIn", signIn, "name", signIn, "role", role, "sees", List.of(), "password", password));
    }

    private Api.Response change(String signIn, String role, boolean active, int version) {
        return admin.put(
                "/api/people/" + signIn,
                Map.of("name", signIn, "role", role, "sees", List.of(), "active", active, "version", version));
    }

    private Api bearer(String token) {
        return new Api(world.address()).withToken(token);
    }

    private Api.Response signIn(String name, String password) {
        Api api = new Api(world.address());
        api.get("/api/session/csrf");
        return api.post("/api/session", Map.of("signIn", name, "password", password));
    }
}
