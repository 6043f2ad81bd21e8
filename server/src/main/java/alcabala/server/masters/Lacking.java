package alcabala.server.masters;

import java.time.Instant;
import java.util.Locale;

/// A master of the ledger that the source lacks.
///
/// @param body as the ledger had it when it was looked at
/// @param resembles the code of one of the source that it may be; empty for none
/// @param reason why the source did not take it; empty where it was not asked
/// @param key under which it is created once, however often it is asked for
/// @param tries how often it was asked for without an answer
/// @param seen another one whenever any of it is otherwise
record Lacking(
        Master master,
        String counterpart,
        String body,
        State state,
        String resembles,
        String reason,
        String key,
        String who,
        Instant since,
        int tries,
        String seen) {
    enum State {
        /// Whether it is one that the source has.
        ASKED,
        /// To be created.
        DUE,
        /// The source would not take it.
        REFUSED,
        /// It stays where it is.
        LEFT;

        String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /// What the ledger calls it.
    String name() {
        return master.half(body).values().getOrDefault("name", counterpart);
    }
}
