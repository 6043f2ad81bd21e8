package alcabala.server.platform;

import java.time.Duration;
import java.time.Instant;

/// How long something has waited, as people count it.
public final class Waited {
    private Waited() {}

    /// Begun ones counted: 1 from the first moment on, 2 after twenty-four hours.
    public static int days(Instant since, Instant now) {
        return (int) Math.max(0, Duration.between(since, now).toDays()) + 1;
    }
}
