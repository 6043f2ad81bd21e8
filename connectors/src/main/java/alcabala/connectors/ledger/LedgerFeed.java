package alcabala.connectors.ledger;

import java.util.List;

/// Documents changed on the ledger, oldest change first.
///
/// @param next the cursor to go on from
public record LedgerFeed(List<LedgerRecord> documents, boolean mastersChanged, long next, boolean more) {}
