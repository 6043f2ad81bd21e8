package alcabala.connectors.ledger;

import alcabala.connectors.Unusable;
import java.util.List;

/// Documents and settlements changed on the ledger, oldest change first.
///
/// @param gone those that it does not have any more, by its ids
/// @param setAside those that cannot be understood
/// @param next the cursor to go on from
/// @param referenceVersion as in [LedgerCompany], when the feed was asked
public record LedgerFeed(
        List<LedgerRecord> records,
        List<String> gone,
        List<Unusable> setAside,
        long next,
        boolean more,
        String referenceVersion) {}
