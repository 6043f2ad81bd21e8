package alcabala.connectors.ledger;

import java.time.Duration;
import java.util.function.Function;

/// How a ledger answered a request that changes its books.
///
/// @param <T> the record on the ledger
public sealed interface Answer<T> {
    /// The same about something made of the record.
    default <S> Answer<S> map(Function<T, S> made) {
        return switch (this) {
            case Accepted<T> a -> new Accepted<>(made.apply(a.record()), a.status(), a.raw());
            case Refused<T> a -> new Refused<>(a.status(), a.code(), a.sentence(), a.raw());
            case Later<T> a -> new Later<>(a.status(), a.pause(), a.reason());
            case Lost<T> a -> new Lost<>(a.status(), a.reason(), a.raw());
        };
    }

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
