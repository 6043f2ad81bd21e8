package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import alcabala.server.Yard;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// `kill -9` while a batch is being sent, at several points, with requests in flight and answers lost.
@Tag("own-process")
class KilledServerTest {
    private static final int BATCH = 40;
    private static final int CHANGED = 5;

    @Test
    void whateverDiesEveryDocumentIsOnTheLedgerExactlyOnce() {
        try (World world = World.inProcessOfItsOwn()) {
            Yard yard = new Yard(world.api("ferro"));
            List<Long> ids = yard.documents("Ready").stream()
                    .filter(row -> !row.get("number").asString().matches("HW-20301|HW-20388"))
                    .limit(BATCH)
                    .map(row -> row.get("id").asLong())
                    .toList();
            long batch = yard.send(ids);

            killOnce(world, "in the middle of creating customers and items", () -> posted(world) >= 2);
            killOnce(world, "between two documents", () -> posted(world) >= 9);
            world.standIns().fault("inkwell", "SLOW", 0);
            int before = posted(world);
            killOnce(world, "with a slow request on the wire", () -> sending(world) && posted(world) >= before);
            world.standIns().fault("inkwell", "ANSWER_LOST", 0);
            killOnce(world, "with answers lost", () -> posted(world) >= before + 3);
            world.standIns().fault("inkwell", "NONE", 0);

            Yard after = new Yard(world.api("ferro"));
            after.awaitFinished(batch);
            assertThat(world.standIns().postedReferences()).hasSize(BATCH).doesNotHaveDuplicates();
            assertThat(after.counts())
                    .containsEntry("Posted", BATCH)
                    .doesNotContainKeys("Queued", "Unconfirmed", "Refused");
            assertThat(after.batch(batch).get("batch").get("posted").asInt()).isEqualTo(BATCH);
            whatIsChangedIsChangedOnce(world, ids.subList(0, CHANGED));
            whatIsTakenBackIsTakenBackOnce(world, batch);
        }
    }

    /// All of the batch but what went again since; the ledger counts what stands, and what is void is at its second
    /// version.
    private static void whatIsTakenBackIsTakenBackOnce(World world, long batch) {
        long before = standing(world);
        List<String> refs = new Yard(world.api("ferro"))
                .batch(batch)
                .get("dispatches")
                .valueStream()
                .map(each -> each.get("ledgerRef").asString())
                .toList();
        int back = BATCH - CHANGED;
        world.standIns().fault("inkwell", "ANSWER_LOST", 0);
        Api.Response undo = world.api("ferro")
                .post(
                        "/api/batches/" + batch + "/undo",
                        Map.of("records", List.of(), "reason", "wrong accounts", "shown", back));
        assertThat(undo.status()).as(undo.body()).isEqualTo(200);
        killOnce(world, "while it is taken back", () -> before - standing(world) >= 3);
        int now = (int) (before - standing(world));
        killOnce(world, "and once more", () -> before - standing(world) > now);
        world.standIns().fault("inkwell", "NONE", 0);
        Yard after = new Yard(world.api("ferro"));
        long by = undo.json().get("id").asLong();
        after.awaitFinished(by);
        assertThat(after.batch(by).get("batch").get("posted").asInt()).isEqualTo(back);
        assertThat(after.counts()).containsEntry("Posted", CHANGED).doesNotContainKeys("Queued", "Unconfirmed");
        assertThat(before - standing(world)).isEqualTo(back);
        assertThat(refs.stream().map(ref -> world.standIns().versionOnDesk(ref)))
                .containsOnly(2);
    }

    /// As the desk tells it, which no fault of the API touches.
    private static long standing(World world) {
        return Pattern.compile("class=\"final\"")
                .matcher(world.standIns().page("/inkwell/books/saltmere"))
                .results()
                .count();
    }

    /// Each stands at its second version: sent in place once, whatever died.
    private static void whatIsChangedIsChangedOnce(World world, List<Long> ids) {
        Api ferro = world.api("ferro");
        for (long id : ids) {
            String source = document(ferro, id).get("sides").get("sourceDesk").asString();
            String desk = source.substring(source.indexOf("/hullwork"));
            world.standIns().editOnHullwork(desk, "19.90");
        }
        ferro.post("/api/pull?route=yard", Map.of());
        world.standIns().fault("inkwell", "ANSWER_LOST", 0);
        long batch = new Yard(ferro).send(ids);
        killOnce(world, "while changes are under way", () -> changed(world, ids) >= 2);
        world.standIns().fault("inkwell", "NONE", 0);
        Yard after = new Yard(world.api("ferro"));
        after.awaitFinished(batch);
        assertThat(after.counts()).containsEntry("Posted", BATCH);
        assertThat(versions(world, ids)).containsOnly(2).hasSize(CHANGED);
        assertThat(world.standIns().postedReferences()).hasSize(BATCH).doesNotHaveDuplicates();
    }

    private static long changed(World world, List<Long> ids) {
        return versions(world, ids).stream().filter(version -> version > 1).count();
    }

    private static List<Integer> versions(World world, List<Long> ids) {
        Api ferro = world.api("ferro");
        return ids.stream()
                .map(id -> document(ferro, id).get("document").get("ledgerRef").asString())
                .map(ref -> world.standIns().versionOnDesk(ref))
                .toList();
    }

    private static JsonNode document(Api api, long id) {
        return api.get("/api/documents/" + id).json();
    }

    private static void killOnce(World world, String point, java.util.function.BooleanSupplier reached) {
        Await.until(point, reached);
        world.kill();
        world.startProcess();
    }

    private static int posted(World world) {
        return world.standIns().postedReferences().size();
    }

    private static boolean sending(World world) {
        return world.api("ferro").get("/api/road?route=yard").json().has("sending");
    }
}
