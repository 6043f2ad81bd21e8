package alcabala.server.crossing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

/// Several under way at once, no more than there are lanes, and none left to itself.
class LanesTest {
    private static Progress waitFor(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
        return Progress.DONE;
    }

    @Test
    void asManyAsThereAreLanesRunAtOnce() {
        try (Lanes lanes = new Lanes(2)) {
            assertThat(lanes.areFree()).isTrue();
            CountDownLatch both = new CountDownLatch(2);
            lanes.start(1, () -> {
                both.countDown();
                return waitFor(both);
            });
            assertThat(lanes.haveRoom()).isTrue();
            lanes.start(2, () -> {
                both.countDown();
                return waitFor(both);
            });
            assertThat(lanes.haveRoom()).isFalse();
            assertThat(lanes.underWay()).containsExactlyInAnyOrder(1L, 2L);
            assertThat(lanes.next()).isEqualTo(Progress.DONE);
            assertThat(lanes.haveRoom()).isTrue();
            assertThat(lanes.areFree()).isFalse();
            assertThat(lanes.next()).isEqualTo(Progress.DONE);
            assertThat(lanes.areFree()).isTrue();
        }
    }

    @Test
    void oneThatFailsSaysSoAndTheOthersEnd() {
        AtomicInteger ended = new AtomicInteger();
        CountDownLatch failed = new CountDownLatch(1);
        assertThatThrownBy(() -> {
                    try (Lanes lanes = new Lanes(2)) {
                        lanes.start(1, () -> {
                            waitFor(failed);
                            ended.incrementAndGet();
                            return Progress.DONE;
                        });
                        lanes.start(2, () -> {
                            throw new IllegalStateException("the second");
                        });
                        try {
                            lanes.next();
                        } finally {
                            failed.countDown();
                        }
                    }
                })
                .hasMessage("the second");
        assertThat(ended).hasValue(1);
    }
}
