package alcabala.server.platform;

import java.time.Duration;
import java.util.Map;
import org.springframework.boot.context.properties.ConfigurationProperties;

/// @param address where people reach Alcabala, to come back to after a consent
/// @param standins where the demo finds its outside systems
/// @param sourceKey the key that the demo connects its app with
/// @param addresses where systems of a kind usually are, by the kind's code: what stands in the form to begin with
/// @param clientSecrets what Alcabala is known by to systems that are entered by consent, by the kind's code
/// @param reach hosts and addresses inside that may be reached, beside public ones; separated by commas
/// @param connectors a folder of jars with further kinds of connection; empty for none
/// @param key the key to seal secrets with, in Base64; else `keyFile` names a file with it
/// @param keyBefore the key before it, while something may still be sealed with that; else `keyBeforeFile` names it
/// @param patience how long an outside system may take to answer
/// @param firstSecret what the first administrator has to know; one is made up and logged when none is given
/// @param sessionLasts after which a session ends, however much it is used
/// @param trustedProxies addresses of proxies whose word on where a request came from is taken; empty for none
/// @param timeZone where the business is, such as `Europe/Dublin`, so that its days are its own; empty for the
/// machine's
/// @param lanes how many requests a route may have under way at once
/// @param pause how long is waited after the first failure to reach one; the next pauses are longer
@ConfigurationProperties("alcabala")
public record Settings(
        boolean demo,
        String demoFiles,
        String address,
        String standins,
        String sourceKey,
        Map<String, String> addresses,
        Map<String, String> clientSecrets,
        String reach,
        String connectors,
        String key,
        String keyFile,
        String keyBefore,
        String keyBeforeFile,
        Duration patience,
        Duration pause,
        int lanes,
        String timeZone,
        String firstSecret,
        Duration sessionLasts,
        String trustedProxies) {
    public Settings {
        addresses = addresses == null ? Map.of() : addresses;
        clientSecrets = clientSecrets == null ? Map.of() : clientSecrets;
    }

    /// Without the keys.
    @Override
    public String toString() {
        return "Settings[demo=" + demo + ", address=" + address + ", standins=" + standins + ", patience=" + patience
                + "]";
    }
}
