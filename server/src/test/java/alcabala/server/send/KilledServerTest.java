package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Await;
import alcabala.server.World;
import alcabala.server.Yard;
import java.util.List;
import org.junit.jupiter.api.Test;

/// `kill -9` while a batch is being sent, at several points, with requests in flight and answers lost.
class KilledServerTest {
    private static final int BATCH = 40;

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
        }
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
