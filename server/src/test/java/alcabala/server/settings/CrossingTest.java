package alcabala.server.settings;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// What crosses on a route, kind by kind, and what other decisions would do. Each test leaves the settings standard.
class CrossingTest {
    private static World world;
    private static Api admin;
    private static Yard yard;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        admin = world.api("admin");
        yard = new Yard(admin);
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    private static JsonNode row(String of) {
        return admin.get("/api/settings/crossing?route=yard")
                .json()
                .valueStream()
                .filter(each -> each.get("of").asString().equals(of))
                .findFirst()
                .orElseThrow();
    }

    private static Api.Response asked(String what, String... changes) {
        return admin.get("/api/settings/crossing/" + what + "?route=yard"
                + Arrays.stream(changes)
                        .map(each -> "&change=" + URLEncoder.encode(each, StandardCharsets.UTF_8))
                        .collect(Collectors.joining()));
    }

    private static JsonNode effect(String... changes) {
        return asked("effect", changes).json();
    }

    private static Map<String, Integer> counts(JsonNode prospects) {
        Map<String, Integer> counts = new HashMap<>();
        prospects.forEach(each ->
                counts.put(each.get("prospect").asString(), each.get("count").asInt()));
        return counts;
    }

    @Test
    void eachKindIsARowWithWhatWaits() {
        JsonNode rows = admin.get("/api/settings/crossing?route=yard").json();
        assertThat(rows.valueStream().map(each -> each.get("of").asString()))
                .containsExactly(
                        "PARTIES",
                        "ITEMS",
                        "INVOICES",
                        "CREDIT_NOTES",
                        "BILLS",
                        "SUPPLIER_CREDITS",
                        "PAYMENTS",
                        "PAYMENTS_OUT");
        JsonNode invoices = row("INVOICES");
        long listed = admin.get(
                        "/api/documents?route=yard&kind=INVOICE&state=Blocked&state=Ready&state=Waiting&limit=500")
                .json()
                .get("rows")
                .size();
        assertThat(invoices.get("waits").asLong()).isEqualTo(listed).isPositive();
        assertThat(invoices.get("blocked").asInt()).isPositive();
        assertThat(invoices.get("becomes").asString()).isEqualTo("final, each line, by item");
        assertThat(row("BILLS").get("told").asBoolean())
                .as("the yard buys nothing")
                .isFalse();
        assertThat(row("BILLS").get("becomes").asString()).isEqualTo("–");
        assertThat(row("ITEMS").get("waits").asInt()).isPositive();
        assertThat(row("PARTIES").get("becomes").asString()).isEqualTo("the client");
    }

    @Test
    void whatIsLookedAtIsWhatHappens() {
        Map<String, Integer> now = counts(effect("INVOICES_TRIGGER batch").get("would"));
        assertThat(now).containsKeys("HELD", "BLOCKED").doesNotContainKey("GOES");
        JsonNode seen = effect("INVOICES_TRIGGER approved");
        assertThat(counts(seen.get("now"))).isEqualTo(now);
        assertThat(counts(seen.get("would")))
                .containsEntry("GOES", now.get("HELD"))
                .containsEntry("BLOCKED", now.get("BLOCKED"))
                .doesNotContainKey("HELD");
        assertThat(seen.get("months")
                        .valueStream()
                        .flatMap(month -> month.get("prospects").valueStream())
                        .mapToInt(each -> each.get("count").asInt())
                        .sum())
                .isEqualTo(seen.get("waiting").asInt());
    }

    @Test
    void severalDecisionsAreOneAndTakenBackAsOne() {
        JsonNode all = effect("INVOICES to-ledger");
        String from =
                all.get("months").get(all.get("months").size() - 1).get("month").asString();
        JsonNode seen = effect("INVOICES_CUT_OFF " + from, "INVOICES_TRIGGER by-hand", "INVOICES_ARRIVAL draft");
        int left = counts(seen.get("would")).get("LEFT_BEHIND");
        assertThat(left).isPositive();
        JsonNode shown = asked("preview", "INVOICES_ARRIVAL draft").json();
        assertThat(shown.get("differs").asBoolean()).isTrue();
        Api.Response decided = decide(0, "INVOICES_CUT_OFF", from, "INVOICES_ARRIVAL", "draft");
        assertThat(decided.status()).isEqualTo(200);
        assertThat(row("INVOICES").get("leftBehind").asInt()).isEqualTo(left);
        assertThat(row("INVOICES").get("becomes").asString()).startsWith("a draft");
        assertThat(row("CREDIT_NOTES").get("becomes").asString()).startsWith("final");
        assertThat(decide(0, "INVOICES_WINNER", "ledger", "INVOICES_ARRIVAL", "final")
                        .status())
                .as("one of them was decided meanwhile, so none is")
                .isEqualTo(409);
        assertThat(setting("INVOICES_WINNER")).isEqualTo("ask");
        assertThat(decide(1, "INVOICES_CUT_OFF", "", "INVOICES_ARRIVAL", "").status())
                .isEqualTo(200);
        assertThat(row("INVOICES").get("leftBehind").asInt()).isZero();
    }

    private static Api.Response decide(int version, String one, String value, String other, String another) {
        return admin.put(
                "/api/settings",
                Map.of(
                        "route",
                        "yard",
                        "changes",
                        List.of(
                                Map.of("setting", one, "value", value, "expectedVersion", version),
                                Map.of("setting", other, "value", another, "expectedVersion", version))));
    }

    private static String setting(String name) {
        return admin.get("/api/settings?route=yard")
                .json()
                .valueStream()
                .filter(each -> each.get("setting").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .get("value")
                .asString();
    }

    @Test
    void paymentsForWhatStaysBehindAreNamed() {
        JsonNode ready = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice"))
                .findFirst()
                .orElseThrow();
        String id = "d-" + ready.get("number").asString().substring("HW-".length());
        world.standIns()
                .desk(
                        "/hullwork/documents/" + id + "/payments",
                        "amount=1.00&date=" + LocalDate.now() + "&means=48&reference=terminal");
        admin.post("/api/pull?route=yard", Map.of());
        JsonNode seen = effect("INVOICES none");
        assertThat(counts(seen.get("would"))).containsOnlyKeys("LEFT_BEHIND");
        assertThat(seen.get("stranded").asInt()).isOne();
        assertThat(new BigDecimal(seen.get("strandedSums").get(0).get("amount").asString()))
                .isEqualByComparingTo("1.00");
        assertThat(effect("INVOICES_ARRIVAL draft").get("stranded").asInt()).isZero();
    }

    @Test
    void whatCannotBeDecidedCannotBeLookedAt() {
        assertThat(asked("effect", "INVOICES_TRIGGER approved", "BILLS_TRIGGER approved")
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("kinds-mixed");
        assertThat(asked("effect", "INVOICES_TRIGGER tomorrow")
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("value-invalid");
        assertThat(asked("preview", "WEATHER fine").json().get("code").asString())
                .isEqualTo("setting-unknown");
        assertThat(asked("effect").status()).isEqualTo(400);
    }
}
