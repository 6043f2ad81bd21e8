package alcabala.server.masters;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import tools.jackson.databind.JsonNode;

/// Masters that stand on both sides of the demo’s route, and the desks of the yard and of its ledger.
abstract class OnBothDesks {
    static World world;
    static Api ferro;

    @BeforeAll
    static void open() {
        world = World.inProcess();
        ferro = world.api("ferro");
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @AfterEach
    void noFaults() {
        world.standIns().allWell();
    }

    static String run() {
        return ferro.post("/api/pull?route=yard", Map.of())
                .json()
                .get("sentence")
                .asString();
    }

    static void decide(String setting, String value) {
        Yard.decide(world.api("admin"), "yard", setting, value);
    }

    static JsonNode cause(String cause) {
        return ferro.get("/api/resolve/masters?route=yard")
                .json()
                .valueStream()
                .filter(each -> each.get("cause").asString().equals(cause))
                .findFirst()
                .orElseThrow();
    }

    static JsonNode field(JsonNode held, String field) {
        return held.get("fields")
                .valueStream()
                .filter(each -> each.get("field").asString().equals(field))
                .findFirst()
                .orElseThrow();
    }

    static int road() {
        return ferro.get("/api/road?route=yard").json().get("held").asInt();
    }

    static JsonNode answer(Map<String, Object> said) {
        return ferro.post("/api/resolve/masters", said).json();
    }

    static Map<String, Object> said(String kind, String field, String answer, String typed, String code, String seen) {
        return Map.of(
                "route",
                "yard",
                "kind",
                kind,
                "field",
                field,
                "answer",
                answer,
                "typed",
                typed,
                "masters",
                List.of(Map.of("code", code, "seen", seen)));
    }
}
