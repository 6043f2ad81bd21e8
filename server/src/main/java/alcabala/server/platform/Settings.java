package alcabala.server.platform;

import java.time.Duration;
import org.springframework.boot.context.properties.ConfigurationProperties;

/// @param address where people reach Alcabala, to come back to after a consent
/// @param standins where the outside systems are
/// @param hullworkKey the key that the demo connects Hullwork with
/// @param inkwellSecret what Alcabala is known by to Inkwell
/// @param key the key to seal secrets with, in Base64; else `keyFile` names a file with it
/// @param keyBefore the key before it, while something may still be sealed with that; else `keyBeforeFile` names it
/// @param patience how long an outside system may take to answer
/// @param firstSecret what the first administrator has to know; one is made up and logged when none is given
/// @param sessionLasts after which a session ends, however much it is used
/// @param trustedProxies addresses of proxies whose word on where a request came from is taken; empty for none
/// @param pause how long is waited after the first failure to reach one; the next pauses are longer
@ConfigurationProperties("alcabala")
public record Settings(
        boolean demo,
        String demoFiles,
        String address,
        String standins,
        String hullworkKey,
        String inkwellSecret,
        String key,
        String keyFile,
        String keyBefore,
        String keyBeforeFile,
        Duration patience,
        Duration pause,
        String firstSecret,
        Duration sessionLasts,
        String trustedProxies) {
    /// Without the keys.
    @Override
    public String toString() {
        return "Settings[demo=" + demo + ", address=" + address + ", standins=" + standins + ", patience=" + patience
                + "]";
    }
}
