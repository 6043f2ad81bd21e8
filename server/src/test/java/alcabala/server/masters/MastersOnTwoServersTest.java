package alcabala.server.masters;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/// Two servers on one database, both told to run at the same moments, on bad days of either system; then one dies in
/// the middle of a run.
@Tag("own-process")
class MastersOnTwoServersTest {
    private static final int STEPS = 60;
    private static final int TOGETHER = 8;
    private static final Duration A_MINUTE = Duration.ofMinutes(1);

    @Test
    void nothingIsToldTwiceAndTheOneThatIsLeftGoesOnWithinAMinute() {
        try (World world = World.inProcess();
                World.Beside other = world.beside()) {
            MasterHistory.decide(world);
            Api there = other.api("ferro");
            new MasterHistory(world, 5, (running, after) -> together(there, running, after))
                    .afterAllThingsCalmDown(STEPS, TOGETHER);
            dies(world, other, there);
        }
    }

    private static void together(Api there, Runnable running, Duration after) {
        Thread here = Thread.ofVirtual().start(running);
        Thread beside = Thread.ofVirtual().start(() -> {
            LockSupport.parkNanos(after.toNanos());
            there.post("/api/pull?route=yard", Map.of());
        });
        MasterHistoriesTest.join(here);
        MasterHistoriesTest.join(beside);
    }

    private static void dies(World world, World.Beside other, Api there) {
        world.standIns().desk("/inkwell/books/saltmere/parties", "name=Ninestones+Slipway");
        Thread run = Thread.ofVirtual().start(() -> there.post("/api/pull?route=yard", Map.of()));
        Await.until("it is under way", () -> underWay(world) > 0);
        other.close();
        Instant died = Instant.now();
        run.interrupt();
        Api ferro = world.api("ferro");
        Await.until("the other one runs to its end", () -> {
            ferro.post("/api/pull?route=yard", Map.of());
            return underWay(world) == 0 && isAtTheYard(world);
        });
        assertThat(Duration.between(died, Instant.now())).isLessThan(A_MINUTE);
    }

    private static int underWay(World world) {
        return world.jdbc()
                .sql("select count(*) from run where state = 'running'")
                .query(Integer.class)
                .single();
    }

    private static boolean isAtTheYard(World world) {
        return world.standIns()
                .hullwork("/changes?after=0&limit=1000")
                .toString()
                .contains("Ninestones Slipway");
    }
}
