package alcabala.connectors.adapters;

import alcabala.connectors.spi.Place;
import java.time.Duration;
import java.util.Map;

/// Places for tests, which may be reached.
public final class Somewhere {
    private Somewhere() {}

    public static Place at(String address) {
        return at(address, "", Duration.ofSeconds(20));
    }

    public static Place at(String address, String company, Duration patience) {
        return new Place(address, company, Map.of(), patience, any -> {});
    }
}
