package alcabala.server.masters;

import alcabala.server.World;
import java.time.Duration;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/// `kill -9` in the middle of runs that tell both sides of parties and items, on bad days of either system.
@Tag("own-process")
class KilledMastersTest {
    /// More, for a longer look: `-Dkills=100`.
    private static final int KILLS = Integer.getInteger("kills", 4);

    private static final int STEPS_BETWEEN = 12;

    @Test
    void whateverDiesNothingIsToldTwiceAndNobodysEditIsLost() {
        try (World world = World.inProcessOfItsOwn()) {
            MasterHistory.decide(world);
            new MasterHistory(world, 3, (running, after) -> kill(world, running, after))
                    .afterAllThingsCalmDown(KILLS * STEPS_BETWEEN, KILLS);
        }
    }

    private static void kill(World world, Runnable running, Duration after) {
        Thread run = Thread.ofVirtual().start(running);
        LockSupport.parkNanos(after.toNanos());
        world.kill();
        world.startProcess();
        MasterHistoriesTest.join(run);
    }
}
