package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Await;
import alcabala.server.World;
import alcabala.server.Yard;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/// A server that is stopped, not killed, keeps its connections and believes that it still sends: another takes over
/// within a minute, and when the first goes on it finds that it lost its lease. Nothing is there twice.
@Tag("own-process")
class StoppedServerTest {
    private static final int BATCH = 12;
    private static final Duration A_MINUTE = Duration.ofMinutes(1);

    @Test
    void anotherTakesOverWithinAMinuteAndNothingIsThereTwice() {
        try (World world = World.inProcessOfItsOwn();
                World.Beside second = world.beside()) {
            Yard first = new Yard(world.api("ferro"));
            List<Long> ids = first.documents("Ready").stream()
                    .filter(row -> !row.get("number").asString().matches("HW-20301|HW-20388"))
                    .limit(BATCH)
                    .map(row -> row.get("id").asLong())
                    .toList();
            second.signal("STOP");
            world.standIns().fault("inkwell", "SLOW", 0);
            long batch = first.send(ids);
            Await.until(
                    "a request is on the wire",
                    () -> first.api().get("/api/road?route=yard").json().has("sending"));
            world.signal("STOP");
            world.standIns().fault("inkwell", "NONE", 0);
            Instant stopped = Instant.now();
            second.signal("CONT");
            Yard other = new Yard(second.api("ferro"));
            Await.until(
                    "the other one sends",
                    () -> !world.standIns().postedReferences().isEmpty());
            assertThat(Duration.between(stopped, Instant.now())).isLessThan(A_MINUTE);
            world.signal("CONT");
            other.awaitFinished(batch);
            assertThat(world.standIns().postedReferences()).hasSize(BATCH).doesNotHaveDuplicates();
            assertThat(other.counts())
                    .containsEntry("Posted", BATCH)
                    .doesNotContainKeys("Queued", "Unconfirmed", "Refused");
        }
    }
}
