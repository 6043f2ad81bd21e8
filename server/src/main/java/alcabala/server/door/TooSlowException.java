package alcabala.server.door;

import java.io.IOException;

/// A body that trickles in.
final class TooSlowException extends IOException {
    TooSlowException() {
        super("the body did not arrive in time");
    }
}
