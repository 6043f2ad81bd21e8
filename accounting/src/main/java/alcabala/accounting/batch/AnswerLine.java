package alcabala.accounting.batch;

import java.math.BigDecimal;

/// What a ledger says in a file about one record that it was given in a file.
///
/// @param line of its file, 1-based
/// @param importId the ledger's name of the import; empty where it tells none
/// @param delivery the batch and revision that it was given with; empty where it does not tell
/// @param reference our name for the record
/// @param number the ledger's; empty for what it refused
/// @param party the ledger's; empty where it does not tell
/// @param gross as it stands there; null for what it refused
/// @param struck whether it stands there no more
public record AnswerLine(
        int line,
        String importId,
        String delivery,
        String reference,
        boolean accepted,
        String number,
        String party,
        String currency,
        BigDecimal gross,
        String reason,
        boolean struck) {
    /// Whether it says what another one says, whichever line it stands on.
    boolean says(AnswerLine other) {
        return accepted == other.accepted
                && number.equals(other.number)
                && struck == other.struck
                && (gross == null ? other.gross == null : other.gross != null && gross.compareTo(other.gross) == 0);
    }
}
