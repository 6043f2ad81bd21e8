package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.HarbourFiles;
import alcabala.server.World;
import alcabala.server.Yard;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/// An older state is put back: what was sent since is found on the ledger, and nothing goes there twice.
@Tag("own-process")
class RestoreTest {
    private static final int EACH = 4;

    @Test
    void afterAnOlderStateWasPutBackNothingIsSentTwiceAndNothingIsForgotten(@TempDir Path folder) {
        try (World world = World.inProcessOfItsOwn()) {
            Yard yard = new Yard(world.api("ferro"));
            List<Long> ready = yard.documents("Ready").stream()
                    .filter(row -> !row.get("number").asString().matches("HW-20301|HW-20388"))
                    .map(row -> row.get("id").asLong())
                    .toList();
            yard.awaitFinished(yard.send(ready.subList(0, EACH)));
            world.standIns().fault("inkwell", "SERVER_ERROR", 0);
            long onItsWay = yard.send(ready.subList(EACH, 2 * EACH));
            Path file = folder.resolve("alcabala.backup");
            assertThat(world.operate("backup", file.toString())).contains("The key that seals secrets is not in it");
            assertThatThrownBy(() -> world.operate("backup", file.toString())).hasMessageContaining("is there already");
            world.standIns().fault("inkwell", "NONE", 0);
            yard.awaitFinished(onItsWay);
            yard.awaitFinished(yard.send(ready.subList(2 * EACH, 3 * EACH)));
            takeAndSend(world, "CB-9101", "CB-9102");
            List<String> onLedger = world.standIns().postedReferences();
            assertThat(onLedger).hasSize(3 * EACH + 2);

            assertThatThrownBy(() -> world.operate("restore", file.toString()))
                    .hasMessageContaining("stop the server first");
            world.kill();
            assertThat(world.operate("restore", file.toString())).contains("_before_restore");
            world.startProcess();

            Yard after = new Yard(world.api("ferro"));
            Await.until("what was sent since is found", () -> after.counts().getOrDefault("Posted", 0) == 3 * EACH);
            assertThat(beyond(world)).containsExactlyInAnyOrder("CB-9101", "CB-9102");
            assertThat(trail(world, "state-put-back")).hasSize(1);
            assertThat(world.jdbc().sql("""
                                    select l.asks_first_until - r.taken_up_at = interval '90 days'
                                    from ledger l, restoration r""").query(Boolean.class).list()).containsOnly(true);
            assertThat(trail(world, "ledger-accounted")).isNotEmpty();
            assertThat(world.standIns().postedReferences()).containsExactlyInAnyOrderElementsOf(onLedger);

            // One is fetched again and claimed; the other is known to nobody, and asked for before it is sent.
            new HarbourFiles(world, world.api("ferro")).take(HarbourFiles.invoice("CB-9101"));
            world.api("ferro").post("/api/pull?route=harbour", Map.of());
            Await.until("it is claimed", () -> state(world, "CB-9101").equals("Posted"));
            world.jdbc().sql("delete from beyond").update();
            takeAndSend(world, "CB-9102");
            assertThat(state(world, "CB-9102")).isEqualTo("Posted");
            assertThat(beyond(world)).isEmpty();
            after.awaitFinished(after.send(List.of(ready.get(3 * EACH))));
            assertThat(world.standIns().postedReferences())
                    .hasSize(onLedger.size() + 1)
                    .doesNotHaveDuplicates();
        }
    }

    private static void takeAndSend(World world, String... numbers) {
        Api ferro = world.api("ferro");
        HarbourFiles harbour = new HarbourFiles(world, ferro);
        for (String number : numbers) {
            harbour.take(HarbourFiles.invoice(number));
        }
        List<Long> ids = List.of(numbers).stream().map(harbour::id).toList();
        Api.Response sent = Yard.trySend(ferro, Map.of("route", "harbour", "ids", ids));
        assertThat(sent.status()).as(sent.body()).isEqualTo(200);
        new Yard(ferro).awaitFinished(sent.json().get("id").asLong());
    }

    private static String state(World world, String number) {
        return new HarbourFiles(world, world.api("ferro")).state(number);
    }

    private static List<String> beyond(World world) {
        return world.api("voss")
                .get("/api/waiting")
                .json()
                .valueStream()
                .flatMap(route -> route.get("beyond").valueStream())
                .map(known -> known.get("number").asString())
                .distinct()
                .toList();
    }

    private static List<JsonNode> trail(World world, String action) {
        return world.api("voss")
                .get("/api/trail?text=" + action)
                .json()
                .valueStream()
                .toList();
    }
}
