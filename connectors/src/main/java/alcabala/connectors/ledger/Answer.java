package alcabala.connectors.ledger;

import java.time.Duration;

/// How a ledger answered a request that changes its books.
///
/// @param <T> the record on the ledger
public sealed interface Answer<T> {
    /// Done, and this is what stands there now.
    record Accepted<T>(T record, int status, String raw) implements Answer<T> {}

    /// The ledger said no; nothing was done.
    record Refused<T>(int status, String code, String sentence, String raw) implements Answer<T> {}

    /// Nothing was done, and it may be tried again after a pause.
    record Later<T>(int status, Duration pause, String reason) implements Answer<T> {}

    /// Nobody knows whether it was done: ask before sending again.
    ///
    /// @param status what came back instead of an answer; 0 for nothing
    /// @param raw the same as text, as far as it was read
    record Lost<T>(int status, String reason, String raw) implements Answer<T> {
        /// When nothing came back.
        public Lost(String reason) {
            this(0, reason, "");
        }
    }
}
