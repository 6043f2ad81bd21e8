package alcabala.accounting.alert;

import java.time.Instant;

/// One thing to be told of, for as long as it lasts.
public sealed interface Alert {
    /// When it began; for an end that is to come, that end.
    Instant at();

    /// Which of them one may ask to be told of.
    default Kind kind() {
        return switch (this) {
            case RunsFail runs -> Kind.RUNS;
            case Waits waits -> Kind.WAITING;
            case ConsentEnds ends -> Kind.CONSENTS;
            case ConsentLost lost -> Kind.CONSENTS;
        };
    }

    /// What one may ask to be told of.
    enum Kind {
        RUNS,
        WAITING,
        CONSENTS
    }

    /// @param count how many runs failed one after the other, the last one among them
    /// @param sentence why the last one did
    record RunsFail(int count, String sentence, Instant at) implements Alert {}

    /// @param what waits, in one state
    /// @param count how many have waited for longer than is said
    /// @param at since when the first of them waits
    record Waits(Waiting what, int count, Instant at) implements Alert {}

    /// @param ledger whose consent it is
    record ConsentEnds(String ledger, Instant at) implements Alert {}

    /// @param ledger that lets nobody in any more
    record ConsentLost(String ledger, Instant at) implements Alert {}

    /// What may wait.
    enum Waiting {
        BLOCKED,
        READY,
        /// Sent, and refused, not reached, without an answer, or changed since.
        HELD,
        /// Of parties that differ.
        QUESTIONS
    }
}
