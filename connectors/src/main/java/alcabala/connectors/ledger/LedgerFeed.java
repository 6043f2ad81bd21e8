package alcabala.connectors.ledger;

import alcabala.connectors.Unusable;
import java.util.List;

/// Documents and settlements changed on the ledger, oldest change first.
///
/// @param setAside those that cannot be understood
/// @param next the cursor to go on from
public record LedgerFeed(
        List<LedgerRecord> records, List<Unusable> setAside, boolean mastersChanged, long next, boolean more) {}
