package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Wire;
import alcabala.server.World;
import java.time.Duration;
import java.util.Iterator;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/// The database, and in its turn the network to both systems, gone in the middle of runs that carry documents and
/// payments both ways, on bad days of either system.
class CutBothWaysTest {
    /// More, for a longer look: `-Dcuts=100`.
    private static final int CUTS = Integer.getInteger("cuts", 4);

    /// Another one for another history: `-Dseed=7`.
    private static final int SEED = Integer.getInteger("seed", 3);

    private static final int BETWEEN = 6;
    private static final Duration AWAY = Duration.ofMillis(300);

    @Test
    void whateverIsCutEachStandsOnceOnEitherSideAndComesToTheSame() {
        try (Wire database = new Wire(World.databasePort());
                Wire network = new Wire(World.standInsPort());
                World world = World.inProcess(database, network)) {
            Iterator<Wire> turns = Stream.generate(() -> Stream.of(database, network))
                    .flatMap(both -> both)
                    .iterator();
            RecordHistory history =
                    new RecordHistory(world, SEED, (running, after) -> cut(turns.next(), running, after));
            history.begin();
            history.afterAllThingsCalmDown(CUTS, BETWEEN);
            assertThat(history.deeds()).isEqualTo(CUTS * BETWEEN);
        }
    }

    private static void cut(Wire wire, Runnable running, Duration after) {
        Thread run = Thread.ofVirtual().start(running);
        LockSupport.parkNanos(after.toNanos());
        wire.cut();
        LockSupport.parkNanos(AWAY.toNanos());
        wire.mend();
        try {
            run.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
