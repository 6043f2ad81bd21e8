package alcabala.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// The business says how dates and figures are written; each person can differ.
class OwnConventionsTest {
    @Test
    void sentencesFollowWhoReadsThem() {
        try (World world = World.inProcess()) {
            Api admin = world.api("admin");
            Api ferro = world.api("ferro");
            assertThat(now(ferro).get("figures").asString()).isEqualTo("COMMA_POINT");
            assertThat(admin.put("/api/people/conventions", Map.of("figures", "POINT_COMMA", "days", "ISO"))
                            .status())
                    .isEqualTo(204);
            assertThat(ferro.put(
                                    "/api/session/conventions",
                                    Map.of("figures", "APOSTROPHE_POINT", "zone", "Asia/Tokyo"))
                            .status())
                    .isEqualTo(204);
            assertThat(now(ferro))
                    .hasToString(
                            "{\"days\":\"ISO\",\"figures\":\"APOSTROPHE_POINT\",\"weekBegins\":\"MONDAY\",\"zone\":\"Asia/Tokyo\"}");
            assertThat(now(world.api("voss")).get("figures").asString()).isEqualTo("POINT_COMMA");
            assertThat(ferro.get("/api/session").json().get("conventions")).isEqualTo(now(ferro));

            assertThat(mapped(ferro)).as("also what is done behind the request").contains("€16’691.02");
            Yard yard = new Yard(admin);
            long one = yard.documents("Ready").getFirst().get("id").asLong();
            assertThat(Yard.trySend(admin, Map.of("route", "yard", "ids", List.of(one), "independentTotal", "12.50"))
                            .json()
                            .get("sentence")
                            .asString())
                    .as("a point stands between thousands here")
                    .contains("such as 1.234,50");
            assertThat(Yard.trySend(admin, Map.of("route", "yard", "ids", List.of(one), "independentTotal", "1,00"))
                            .json()
                            .get("code")
                            .asString())
                    .isEqualTo("totals-differ");

            assertThat(ferro.put("/api/session/conventions", Map.of()).status()).isEqualTo(204);
            assertThat(now(ferro).get("figures").asString())
                    .as("as the business again")
                    .isEqualTo("POINT_COMMA");
        }
    }

    private static JsonNode now(Api api) {
        return api.get("/api/session/conventions").json().get("now");
    }

    private static String mapped(Api ferro) {
        JsonNode suggestion = ferro.get("/api/map/row?route=yard&kind=ITEM&code=RIG-0042")
                .json()
                .get("main");
        Map<String, Object> row =
                new HashMap<>(Map.of("route", "yard", "kind", "ITEM", "code", "RIG-0042", "expectedVersion", 0));
        row.put("meaning", suggestion.get("meaning"));
        return ferro.put("/api/map/row", row).json().get("sentence").asString();
    }

    @Test
    void nonsenseIsRefused() {
        try (World world = World.inProcess()) {
            Api ferro = world.api("ferro");
            assertThat(ferro.put("/api/session/conventions", Map.of("zone", "Mars/Olympus"))
                            .json()
                            .get("code")
                            .asString())
                    .isEqualTo("zone-unknown");
            for (String unknownToBrowsers : List.of("UTC+3", "+02:00", "Z")) {
                assertThat(ferro.put("/api/session/conventions", Map.of("zone", unknownToBrowsers))
                                .status())
                        .as(unknownToBrowsers)
                        .isEqualTo(422);
            }
            assertThat(ferro.put("/api/session/conventions", Map.of("zone", "Etc/UTC"))
                            .status())
                    .isEqualTo(204);
            assertThat(ferro.put("/api/session/conventions", Map.of("weekBegins", "TUESDAY"))
                            .json()
                            .get("code")
                            .asString())
                    .isEqualTo("week-invalid");
            assertThat(ferro.put("/api/session/conventions", Map.of("days", "YEAR"))
                            .status())
                    .isEqualTo(400);
        }
    }
}
