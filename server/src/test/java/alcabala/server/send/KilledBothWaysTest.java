package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.World;
import java.time.Duration;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/// `kill -9` in the middle of runs that carry documents and payments both ways, on bad days of either system.
@Tag("own-process")
class KilledBothWaysTest {
    /// More, for a longer look: `-Dkills=100`.
    private static final int KILLS = Integer.getInteger("kills", 3);

    /// Another one for another history: `-Dseed=7`.
    private static final int SEED = Integer.getInteger("seed", 5);

    private static final int BETWEEN = 6;

    @Test
    void whateverDiesEachStandsOnceOnEitherSideAndComesToTheSame() {
        try (World world = World.inProcessOfItsOwn()) {
            RecordHistory history = new RecordHistory(world, SEED, (running, after) -> kill(world, running, after));
            history.begin();
            history.afterAllThingsCalmDown(KILLS, BETWEEN);
            assertThat(history.deeds()).isEqualTo(KILLS * BETWEEN);
        }
    }

    private static void kill(World world, Runnable running, Duration after) {
        Thread run = Thread.ofVirtual().start(() -> {
            try {
                running.run();
            } catch (RuntimeException e) {
                // Its server died under it.
            }
        });
        LockSupport.parkNanos(after.toNanos());
        world.kill();
        world.startProcess();
        try {
            run.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
