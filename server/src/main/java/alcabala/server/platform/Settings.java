package alcabala.server.platform;

import java.time.Duration;
import org.springframework.boot.context.properties.ConfigurationProperties;

/// @param patience how long an outside system may take to answer
@ConfigurationProperties("alcabala")
public record Settings(
        boolean demo, String demoFiles, String standins, String hullworkKey, String inkwellKey, Duration patience) {
    /// Without the keys.
    @Override
    public String toString() {
        return "Settings[demo=" + demo + ", standins=" + standins + ", patience=" + patience + "]";
    }
}
