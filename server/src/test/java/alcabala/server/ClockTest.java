package alcabala.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.server.platform.Settings;
import java.time.Duration;
import java.time.ZoneId;
import java.util.Map;
import org.junit.jupiter.api.Test;

/// The days of the business are its own.
class ClockTest {
    private static Settings in(String zone) {
        Duration any = Duration.ofSeconds(1);
        return new Settings(
                false, "", "", "", "", Map.of(), Map.of(), "", "", "", "", "", "", any, any, 1, zone, "", any, "");
    }

    @Test
    void theZoneOfTheBusinessIsNotTheMachines() {
        AlcabalaApplication application = new AlcabalaApplication();
        assertThat(application.clock(in("Pacific/Kiritimati")).getZone()).isEqualTo(ZoneId.of("Pacific/Kiritimati"));
        assertThat(application.clock(in("")).getZone()).isEqualTo(ZoneId.systemDefault());
        assertThatThrownBy(() -> application.clock(in("Saltmere"))).hasMessageContaining("Saltmere");
    }
}
