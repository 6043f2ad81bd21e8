package alcabala.server.alerts;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import alcabala.server.route.Routes;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import tools.jackson.databind.JsonNode;

/// What people are told of without asking, here and by letters that a real mail server takes.
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class AlertsTest {
    private static World world;
    private static Api admin;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        admin = world.api("admin");
    }

    @AfterAll
    static void stop() {
        world.standIns().fault("inkwell", "NONE", 0);
        world.close();
    }

    @Test
    @Order(1)
    void itIsQuietWhereThereIsNothingToSay() {
        assertThat(alerts().get("alerts")).isEmpty();
        assertThat(alerts().get("rule").get("waitingDays").asInt()).isEqualTo(3);
        Api.Response said = set(0, "books@corvane.example");
        assertThat(said.status()).as(said.body()).isEqualTo(200);
        assertThat(admin.post("/api/alerts/letter?route=yard", Map.of())
                        .json()
                        .get("sentence")
                        .asString())
                .isEqualTo("There is nothing to tell now, so no letter goes.");
        digest();
        assertThat(digests()).as("the day is looked at, and no letter goes").isOne();
        assertThat(letters()).isZero();
    }

    @Test
    @Order(2)
    void whatIsWrongIsSaidForAsLongAsItLasts() {
        world.standIns().fault("inkwell", "UNAVAILABLE", 0);
        admin.post("/api/pull?route=yard", Map.of());
        admin.post("/api/pull?route=yard", Map.of());
        world.jdbc()
                .sql("update credential set consent_ends_at = now() + interval '2 days' where ledger_id is not null")
                .update();
        assertThat(sentences()).hasSize(2);
        assertThat(sentences().getFirst())
                .startsWith("The last 2 runs failed, since ")
                .contains("Inkwell");
        assertThat(sentences().getLast()).startsWith("The consent of Inkwell");
        assertThat(alerts().get("alerts").get(0).get("path").asString()).isEqualTo("/connect?view=runs&route=yard");
    }

    /// Several servers look at once.
    @Test
    @Order(3)
    void oneLetterADayTellsAllOfIt() {
        world.jdbc().sql("delete from alert_digest").update();
        IntStream.range(0, 4).parallel().forEach(each -> digest());
        Await.until("the letter is there", () -> letters() == 1);
        JsonNode letter = world.standIns().letters().get(0);
        assertThat(letter.get("to").asString()).isEqualTo("books@corvane.example");
        assertThat(letter.get("subject").asString()).isEqualTo("Hullwork to Inkwell: 2 things to look at");
        assertThat(letter.get("text").asString()).contains("- The last 2 runs failed", "- The consent of Inkwell");
        digest();
        assertThat(letters()).as("the day has its letter").isOne();
        assertThat(digests()).isOne();
    }

    @Test
    @Order(4)
    void aLetterCanBeSentAtOnceAndWhatIsRightAgainIsNoLongerSaid() {
        assertThat(admin.post("/api/alerts/letter?route=yard", Map.of())
                        .json()
                        .get("to")
                        .asInt())
                .as("nothing waits, so that nobody is told of it")
                .isOne();
        Await.until("it is there", () -> letters() == 2);
        world.standIns().fault("inkwell", "NONE", 0);
        world.jdbc().sql("update credential set consent_ends_at = null").update();
        admin.post("/api/pull?route=yard", Map.of());
        assertThat(sentences()).isEmpty();
    }

    @Test
    @Order(5)
    void whoIsToldIsAskedForWithCare() {
        assertThat(set(0, "books@corvane.example").status())
                .as("somebody else said it")
                .isEqualTo(409);
        assertThat(set(1, "not an address").json().get("sentence").asString())
                .isEqualTo("“not an address” is no e-mail address.");
        assertThat(set(1, "a@b.example\r\nBcc: c@d.example").json().get("code").asString())
                .isEqualTo("address-invalid");
        Map<String, Object> zero = rule(1, "books@corvane.example");
        zero.put("waitingDays", 0);
        assertThat(admin.put("/api/alerts", zero).status()).isEqualTo(400);
        Map<String, Object> never = rule(1, "books@corvane.example");
        never.remove("waitingDays");
        assertThat(admin.put("/api/alerts", never).status()).isEqualTo(200);
        assertThat(alerts().get("rule").has("waitingDays")).isFalse();
        assertThat(world.api("ferro").put("/api/alerts", never).status()).isEqualTo(403);
    }

    private static Api.Response set(int version, String recipient) {
        return admin.put("/api/alerts", rule(version, recipient));
    }

    private static Map<String, Object> rule(int version, String recipient) {
        return new HashMap<>(Map.of(
                "route",
                "yard",
                "recipients",
                List.of(to(recipient, "RUNS", "CONSENTS"), to("owner@corvane.example", "WAITING")),
                "failedRuns",
                true,
                "waitingDays",
                3,
                "consentDays",
                7,
                "digestAt",
                "00:00",
                "expectedVersion",
                version));
    }

    private static Map<String, Object> to(String address, String... kinds) {
        return Map.of("address", address, "kinds", List.of(kinds));
    }

    private static void digest() {
        world.bean(AlertLetters.class).write(world.bean(Routes.class).get("yard"));
    }

    private static JsonNode alerts() {
        return admin.get("/api/alerts?route=yard").json();
    }

    private static List<String> sentences() {
        return alerts().get("alerts")
                .valueStream()
                .map(each -> each.get("sentence").asString())
                .toList();
    }

    private static int digests() {
        return world.jdbc()
                .sql("select count(*) from alert_digest")
                .query(Integer.class)
                .single();
    }

    private static int letters() {
        return world.jdbc()
                .sql("select count(*) from mail where outcome = 'sent' and name = 'what there is to look at'")
                .query(Integer.class)
                .single();
    }
}
