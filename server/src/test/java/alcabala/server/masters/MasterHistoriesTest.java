package alcabala.server.masters;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Wire;
import alcabala.server.World;
import java.time.Duration;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// What either side changes of parties and items, on bad days, with the database gone in the middle of runs.
class MasterHistoriesTest {
    private static final int STEPS = 80;
    private static final int BLOWS = 5;
    private static final Duration AWAY = Duration.ofMillis(200);
    private static Wire wire;
    private static World world;

    @BeforeAll
    static void start() {
        wire = new Wire(World.databasePort());
        world = World.inProcess(wire);
        MasterHistory.decide(world);
    }

    @AfterAll
    static void stop() {
        world.close();
        wire.close();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2})
    void afterAllThingsCalmDown(long seed) {
        new MasterHistory(world, seed, MasterHistoriesTest::cut).afterAllThingsCalmDown(STEPS, BLOWS);
        assertThat(world.jdbc()
                        .sql("select count(*) from reference_pull where problem = 'It was cut off.'")
                        .query(Integer.class)
                        .single())
                .as("left under way until somebody else gave them up")
                .isZero();
    }

    private static void cut(Runnable running, Duration after) {
        Thread run = Thread.ofVirtual().start(running);
        LockSupport.parkNanos(after.toNanos());
        wire.cut();
        LockSupport.parkNanos(AWAY.toNanos());
        wire.mend();
        join(run);
    }

    static void join(Thread thread) {
        try {
            thread.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
