package alcabala.server.clear;

import java.time.Instant;
import java.time.LocalDate;

/// A banking as it is kept, beside the record that it is.
///
/// @param account of the ledger, of the bank
/// @param withdrawn why it was withdrawn; empty while it stands
record BankingRow(
        long recordId,
        long routeId,
        String account,
        LocalDate bankedOn,
        String madeBy,
        Instant madeAt,
        String withdrawn,
        int version) {
    boolean stands() {
        return withdrawn.isEmpty();
    }
}
