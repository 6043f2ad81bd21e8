package alcabala.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.read.ListAppender;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.slf4j.LoggerFactory;
import org.springframework.security.crypto.password.PasswordEncoder;

class AccessTest {
    private static World world;

    @BeforeAll
    static void start() {
        world = World.inProcess();
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @Test
    void whoIsNotSignedInSeesNothing() {
        Api stranger = new Api(world.address());
        for (String path : new String[] {
            "/api/documents?route=yard", "/api/road?route=yard", "/api/batches/1", "/api/openapi", "/api/session"
        }) {
            assertThat(stranger.get(path).status()).as(path).isEqualTo(401);
        }
        assertThat(new Api(world.address())
                        .withToken("guess")
                        .get("/api/routes")
                        .status())
                .isEqualTo(401);
        assertThat(stranger.get("/actuator/env").status()).isIn(401, 404);
    }

    @Test
    void aReviewerReadsEverythingAndChangesNothing() {
        Api voss = world.api("voss");
        assertThat(voss.get("/api/documents?route=yard").status()).isEqualTo(200);
        assertThat(voss.get("/api/map/item?route=yard").status()).isEqualTo(200);
        Map<String, Object> row = Yard.row("yard", "TAX", "VEU", "RC0", "", 0);
        assertThat(voss.put("/api/map/row", row).status()).isEqualTo(403);
        assertThat(voss.post("/api/batches", Map.of("route", "yard")).status()).isEqualTo(403);
        assertThat(voss.post("/api/pull?route=yard", Map.of()).status()).isEqualTo(403);
        assertThat(voss.xml("/api/intake?dryRun=true", new byte[0]).status()).isEqualTo(403);
        String token =
                voss.post("/api/session/tokens", Map.of()).json().get("token").asString();
        assertThat(new Api(world.address())
                        .withToken(token)
                        .put("/api/map/row", row)
                        .status())
                .as("a token has the rights of who made it")
                .isEqualTo(403);
        assertThat(new Yard(voss).counts()).doesNotContainKey("Posted");
    }

    @Test
    void aForgedRequestWithoutTheCsrfTokenIsRefused() {
        Api ferro = world.api("ferro").withoutCsrf();
        assertThat(ferro.post("/api/pull?route=yard", Map.of()).status()).isEqualTo(403);
    }

    @Test
    void pagesAreStrictAndCookiesAreClosed() {
        Api api = new Api(world.address());
        String policy = api.get("/sign-in").header("content-security-policy");
        assertThat(policy)
                .contains("default-src 'none'", "script-src 'self'", "frame-ancestors 'none'")
                .doesNotContain("unsafe");
        api.get("/api/session/csrf");
        Api.Response answer = api.post("/api/session", Map.of("signIn", "admin", "password", "admin-corvane"));
        assertThat(answer.headers().get("set-cookie"))
                .filteredOn(cookie -> cookie.startsWith("ALCABALA_SESSION"))
                .singleElement()
                .asString()
                .contains("HttpOnly", "SameSite=Strict");
    }

    @Test
    void noSecretIsLogged() {
        ListAppender<ILoggingEvent> log = new ListAppender<>();
        log.start();
        ((Logger) LoggerFactory.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME)).addAppender(log);
        Api api = new Api(world.address());
        api.get("/api/session/csrf");
        api.post("/api/session", Map.of("signIn", "mallory", "password", "guess-the-secret"));
        api.post("/api/session", Map.of("signIn", "mallory", "password", List.of("guess-the-secret")));
        LoggerFactory.getLogger(AccessTest.class).warn("the log is listened to");
        world.api("ferro").post("/api/pull?route=yard", Map.of());
        assertThat(world.jdbc()
                        .sql("select password_hash from person")
                        .query(String.class)
                        .list())
                .allMatch(hash -> hash.startsWith("{bcrypt}"));
        assertThat(world.bean("passwordEncoder", PasswordEncoder.class).encode("of a real server"))
                .as("doubled ten times, not as cheap as those of the tests")
                .startsWith("{bcrypt}$2a$10$");
        assertThat(log.list)
                .isNotEmpty()
                .extracting(ILoggingEvent::getFormattedMessage)
                .noneMatch(line -> line.matches("(?s).*(guess-the-secret|inkwell-demo-key|ferro-corvane).*"));
    }

    @Test
    void strangersSeeHealthAloneAndMeasuresAreForWhoeverSeesToThem() {
        Api stranger = new Api(world.address());
        assertThat(stranger.get("/actuator/health/readiness").body()).isEqualTo("{\"status\":\"UP\"}");
        for (String path : new String[] {"/actuator", "/actuator/env", "/actuator/prometheus", "/actuator/heapdump"}) {
            assertThat(stranger.get(path).status()).as(path).isIn(401, 403);
        }
        assertThat(world.api("ferro").get("/actuator/prometheus").status()).isEqualTo(403);
        assertThat(world.api("admin").get("/actuator/env").status()).isEqualTo(403);
    }
}
