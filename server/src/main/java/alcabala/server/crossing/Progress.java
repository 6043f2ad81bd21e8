package alcabala.server.crossing;

import java.time.Duration;

/// What one step of sending came to.
///
/// @param failed whether the ledger was not reached, or did not answer what was asked; nothing to do with a refusal
/// @param limited whether it only asked for a pause
/// @param pause how long it asks to be left alone; zero when it does not say
/// @param reason what came instead of an answer
record Progress(boolean failed, boolean limited, Duration pause, String reason) {
    static final Progress DONE = new Progress(false, false, Duration.ZERO, "");

    static Progress failed(String reason) {
        return new Progress(true, false, Duration.ZERO, reason);
    }

    static Progress later(Duration pause, String reason) {
        return new Progress(true, reason.equals(Sender.LIMIT), pause, reason);
    }
}
