package alcabala.server.load;

import java.time.Instant;
import java.time.LocalDate;

/// Everything since a day, on its way.
///
/// @param reason why it stopped, or was ended before all of it was sent; empty when neither
/// @param endedAt null as long as it has not
/// @param planned how many were ready when it began
/// @param heeded the batch whose failures somebody went on over; 0 for none
/// @param atPhase behind which record it is: family, side and currency of it
record Load(
        long id,
        long routeId,
        LocalDate since,
        int perMinute,
        State state,
        String reason,
        String madeBy,
        Instant madeAt,
        Instant endedAt,
        int planned,
        String atPhase,
        LocalDate atDay,
        long atId,
        long heeded,
        int version) {
    enum State {
        RUNNING,
        STOPPED,
        DONE
    }

    boolean isRunning() {
        return state == State.RUNNING;
    }
}
