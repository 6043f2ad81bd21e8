package alcabala.server.settings;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import alcabala.server.Yard;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// A kind goes by itself, but not what was there already when that was decided.
class OnlyFromTheNextTest {
    @Test
    void whatWasThereWaitsForSomebodyAndTheNextOneGoes() {
        try (World world = World.inProcess()) {
            Api admin = world.api("admin");
            Yard yard = new Yard(admin);
            int ready = yard.counts().get("Ready");
            long invoices = yard.documents("Ready").stream()
                    .filter(row -> row.get("kind").asString().equals("invoice"))
                    .count();
            assertThat(goes(admin, "INVOICES_TRIGGER approved"))
                    .as("said before it is decided")
                    .isEqualTo(invoices);
            String sentence =
                    decide(admin, "approved", true).json().get("sentence").asString();
            assertThat(sentence).contains("that were there wait for somebody to send them");
            assertThat(goes(admin, "INVOICES_WINNER ask")).as("as it is now").isZero();
            fetch(admin);
            assertThat(yard.counts().get("Ready")).as("none goes").isEqualTo(ready);

            JsonNode next = yard.documents("Waiting").stream()
                    .filter(row -> row.get("kind").asString().equals("invoice"))
                    .findFirst()
                    .orElseThrow();
            String number = next.get("number").asString();
            world.standIns().desk("/hullwork/documents/" + number.replace("HW-", "d-") + "/approve", "");
            fetch(admin);
            Await.until(
                    "the next one is there",
                    () -> yard.document(number).get("state").asString().equals("Posted"));
            assertThat(yard.counts().get("Ready")).isEqualTo(ready);

            JsonNode one = yard.documents("Ready").stream()
                    .filter(row -> row.get("kind").asString().equals("invoice"))
                    .findFirst()
                    .orElseThrow();
            yard.awaitFinished(yard.send(List.of(one.get("id").asLong())));
            assertThat(yard.counts().get("Ready")).as("one that somebody sends").isEqualTo(ready - 1);

            aFirstDayThatIsTakenAwayLetsNothingGoThatWasThere(admin, yard);

            assertThat(goes(admin, "INVOICES_TRIGGER sent"))
                    .as("another decision holds for all")
                    .isPositive();
            decide(admin, "batch", false);
            decide(admin, "approved", false);
            assertThat(goes(admin, "INVOICES_WINNER ask")).isEqualTo(invoices - 1);
        }
    }

    /// Whatever lets them go: and what went by itself before still does.
    private static void aFirstDayThatIsTakenAwayLetsNothingGoThatWasThere(Api admin, Yard yard) {
        decide(admin, "INVOICES_TRIGGER", "batch", false);
        decide(admin, "INVOICES_TRIGGER", "approved", false);
        decide(admin, "INVOICES_CUT_OFF", "2026-11-01", false);
        long before = goes(admin, "INVOICES_WINNER ask");
        assertThat(goes(admin, "INVOICES_CUT_OFF")).isGreaterThan(before);
        decide(admin, "INVOICES_CUT_OFF", "", true);
        assertThat(goes(admin, "INVOICES_WINNER ask")).isEqualTo(before);
        decide(admin, "INVOICES_TRIGGER", "batch", false);
    }

    private static long goes(Api admin, String change) {
        return admin.get("/api/settings/crossing/effect?route=yard&change=" + change.replace(" ", "%20"))
                .json()
                .get("would")
                .valueStream()
                .filter(each -> each.get("prospect").asString().equals("GOES"))
                .mapToLong(each -> each.get("count").asLong())
                .sum();
    }

    private static void fetch(Api admin) {
        assertThat(admin.post("/api/pull?route=yard", Map.of()).status()).isEqualTo(200);
    }

    private static Api.Response decide(Api admin, String value, boolean onlyNext) {
        return decide(admin, "INVOICES_TRIGGER", value, onlyNext);
    }

    private static Api.Response decide(Api admin, String setting, String value, boolean onlyNext) {
        int version = admin.get("/api/settings?route=yard")
                .json()
                .valueStream()
                .filter(each -> each.get("setting").asString().equals(setting))
                .findFirst()
                .orElseThrow()
                .get("version")
                .asInt();
        Api.Response answer = admin.put(
                "/api/settings",
                Map.of(
                        "route",
                        "yard",
                        "onlyNext",
                        onlyNext,
                        "changes",
                        List.of(Map.of("setting", setting, "value", value, "expectedVersion", version))));
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
        return answer;
    }
}
