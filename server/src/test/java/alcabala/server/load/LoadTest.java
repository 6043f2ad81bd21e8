package alcabala.server.load;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.Ellery;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// Everything since a day goes in the background: as it was counted, each once, whatever stops it.
class LoadTest {
    /// Fifty at once, ten seconds a batch.
    private static final int PACE = 300;

    private static JsonNode preview(Api api, LocalDate since) {
        return api.get("/api/loads/preview?route=yard&since=" + since).json();
    }

    private static Api.Response begin(Api api, LocalDate since, Map<String, Object> more) {
        Map<String, Object> order = new HashMap<>(Map.of(
                "route",
                "yard",
                "since",
                since.toString(),
                "perMinute",
                PACE,
                "ready",
                preview(api, since).get("ready").asInt()));
        order.putAll(more);
        return api.post("/api/loads", order);
    }

    private static JsonNode last(Api api) {
        return api.get("/api/loads?route=yard").json().get("load");
    }

    private static JsonNode awaitState(Api api, String state) {
        Await.until(
                "the load is " + state, () -> last(api).get("state").asString().equals(state));
        return last(api);
    }

    private static LocalDate day(JsonNode row) {
        return LocalDate.parse(row.get("issueDate").asString());
    }

    private static int count(JsonNode preview, String kind, String column) {
        return preview.get("kinds")
                .valueStream()
                .filter(each -> each.get("kind").asString().equals(kind))
                .mapToInt(each -> each.get(column).get("count").asInt())
                .sum();
    }

    @Test
    void whatWasCountedGoesFromItsDayOnAndNothingBefore() {
        try (World world = World.inProcess()) {
            Api api = world.api("admin");
            Yard yard = new Yard(api);
            yard.mapEverything();
            List<JsonNode> ready = yard.documents("Ready");
            LocalDate since = ready.stream()
                    .map(LoadTest::day)
                    .sorted()
                    .skip(ready.size() / 3)
                    .findFirst()
                    .orElseThrow();
            List<JsonNode> meant =
                    ready.stream().filter(row -> !day(row).isBefore(since)).toList();
            assertThat(meant).anyMatch(row -> day(row).equals(since));
            JsonNode preview = preview(api, since);
            assertThat(preview.get("ready").asInt()).isEqualTo(meant.size());
            JsonNode invoices = preview.get("kinds")
                    .valueStream()
                    .filter(each -> each.get("kind").asString().equals("invoice")
                            && each.get("currency").asString().equals("EUR"))
                    .findFirst()
                    .orElseThrow();
            assertThat(invoices.get("ready").get("gross").asDecimal())
                    .isEqualByComparingTo(meant.stream()
                            .filter(row -> row.get("kind").asString().equals("invoice")
                                    && row.get("currency").asString().equals("EUR"))
                            .map(row -> row.get("gross").asDecimal())
                            .reduce(BigDecimal.ZERO, BigDecimal::add));
            whatIsOddIsRefused(api, since);

            assertThat(begin(api, since, Map.of()).status()).isEqualTo(200);
            assertThat(begin(api, since, Map.of()).json().get("code").asString())
                    .as("one at a time; what was looked at may have gone by the time it is asked for")
                    .isIn("load-open", "nothing-to-load", "not-as-shown");
            JsonNode done = awaitState(api, "DONE");
            assertThat(done.get("planned").asInt()).isEqualTo(meant.size());
            assertThat(done.get("posted").asInt() + done.get("refused").asInt()).isEqualTo(meant.size());
            assertThat(done.get("refused").asInt())
                    .as("what is refused holds nothing up")
                    .isPositive();
            assertThat(done.get("batches").size()).isGreaterThan(1);
            assertThat(yard.documents("Ready")).as("those before").allMatch(row -> day(row).isBefore(since));
            JsonNode after = preview(api, since);
            assertThat(count(after, "invoice", "there") + count(after, "invoice", "refused"))
                    .isEqualTo(count(preview, "invoice", "ready"));
            assertThat(begin(api, since, Map.of()).json().get("code").asString())
                    .as("what was refused waits for a person")
                    .isEqualTo("nothing-to-load");
        }
    }

    private static void whatIsOddIsRefused(Api api, LocalDate since) {
        assertThat(begin(api, since, Map.of("ready", 1)).json().get("code").asString())
                .isEqualTo("not-as-shown");
        for (int pace : List.of(9, 6001)) {
            assertThat(begin(api, since, Map.of("perMinute", pace)).status()).isIn(400, 422);
        }
        for (LocalDate day : List.of(
                LocalDate.now().plusDays(1), LocalDate.now().minusYears(20).minusDays(1))) {
            assertThat(api.get("/api/loads/preview?route=yard&since=" + day).status())
                    .as("%s", day)
                    .isEqualTo(422);
        }
        for (LocalDate day : List.of(LocalDate.now(), LocalDate.now().minusYears(20))) {
            assertThat(api.get("/api/loads/preview?route=yard&since=" + day).status())
                    .as("%s", day)
                    .isEqualTo(200);
        }
    }

    @Test
    void whatDoesNotGetThroughStopsItAndItGoesOnWhereItWas() {
        try (World world = World.inProcess()) {
            Api api = world.api("admin");
            Yard yard = new Yard(api);
            LocalDate since = LocalDate.now().minusYears(1);
            world.standIns().fault("inkwell", "UNAVAILABLE", 0);
            int planned = preview(api, since).get("ready").asInt();
            assertThat(begin(api, since, Map.of("perMinute", 3000)).status()).isEqualTo(200);
            JsonNode stopped = awaitState(api, "STOPPED");
            assertThat(stopped.get("reason").asString()).contains("did not get through");
            long first = stopped.get("batches").get(0).get("id").asLong();
            world.standIns().fault("inkwell", "NONE", 0);
            assertThat(api.post("/api/batches/" + first + "/retry", Map.of()).status())
                    .isEqualTo(200);
            yard.awaitFinished(first);
            long load = stopped.get("id").asLong();
            assertThat(api.post("/api/loads/" + load + "/go-on", Map.of()).status())
                    .isEqualTo(200);
            JsonNode done = awaitState(api, "DONE");
            assertThat(done.get("posted").asInt() + done.get("refused").asInt()).isEqualTo(planned);
            assertThat(world.standIns().postedReferences()).doesNotHaveDuplicates();
            assertThat(api.post("/api/loads/" + load + "/stop", Map.of()).status())
                    .as("it is not under way any more")
                    .isEqualTo(409);
            aLedgerOfFilesIsLoadedByHand(world, since);
        }
    }

    private static void aLedgerOfFilesIsLoadedByHand(World world, LocalDate since) {
        Api api = new Ellery(world).api();
        JsonNode preview =
                api.get("/api/loads/preview?route=ellery&since=" + since).json();
        assertThat(preview.get("refusal").asString()).startsWith("Copperplate takes files");
        Map<String, Object> order = Map.of(
                "route",
                "ellery",
                "since",
                since.toString(),
                "perMinute",
                PACE,
                "ready",
                preview.get("ready").asInt());
        assertThat(api.post("/api/loads", order).json().get("code").asString()).isEqualTo("load-by-files");
    }
}
