package alcabala.accounting.posting;

import java.util.Map;

/// Where an amount is booked: amounts of one key are one line of a journal.
///
/// @param taxCode the ledger's; empty where none is concerned
/// @param dimensions the ledger's values by the ledger's dimensions
public record PostingKey(String account, String taxCode, Map<String, String> dimensions) {
    static PostingKey of(String account) {
        return new PostingKey(account, "", Map.of());
    }

    static PostingKey of(String account, String taxCode) {
        return new PostingKey(account, taxCode, Map.of());
    }

    static PostingKey of(LedgerLine line) {
        return new PostingKey(line.account(), line.taxCode(), line.dimensions());
    }
}
