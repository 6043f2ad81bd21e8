package alcabala.server.items;

import alcabala.connectors.ledger.LedgerItem;
import java.time.Instant;

/// All items of a ledger written anew from the source: listed first, then done row by row.
///
/// @param reason why it stopped; empty when it did not
/// @param open rows still to be done
/// @param left rows that could not be
record Rewriting(
        long id,
        long routeId,
        String madeBy,
        Instant madeAt,
        State state,
        String reason,
        String begunBy,
        Instant begunAt,
        int open,
        int done,
        int left) {
    /// How far it is.
    enum State {
        LISTED,
        RUNNING,
        STOPPED,
        DONE
    }

    /// One item that is to change.
    ///
    /// @param code the source's
    /// @param before as it stood there when it was listed
    record Row(String code, LedgerItem before, LedgerItem after, RowState state, String sentence) {
        String there() {
            return before.code();
        }
    }

    /// What became of a row.
    enum RowState {
        OPEN,
        DONE,
        LEFT
    }

    int rows() {
        return open + done + left;
    }
}
