package alcabala.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class RecentlyTest {
    private final AtomicInteger asked = new AtomicInteger();

    @Test
    void isLookedUpOnceWithinItsMomentAndAgainAfterIt() {
        Recently<Integer> lasting = new Recently<>(Duration.ofHours(1), asked::incrementAndGet);
        assertThat(lasting.get()).isEqualTo(1);
        assertThat(lasting.get()).isEqualTo(1);
        lasting.forget();
        assertThat(lasting.get()).isEqualTo(2);
        Recently<Integer> over = new Recently<>(Duration.ZERO, asked::incrementAndGet);
        assertThat(over.get()).isEqualTo(3);
        assertThat(over.get()).isEqualTo(4);
    }

    @Test
    void whatItFailedWithIsNotRemembered() {
        Recently<Integer> failing = new Recently<>(Duration.ofHours(1), () -> {
            if (asked.incrementAndGet() == 1) {
                throw new IllegalStateException("away");
            }
            return asked.get();
        });
        assertThatThrownBy(failing::get).hasMessage("away");
        assertThat(failing.get()).isEqualTo(2);
    }
}
