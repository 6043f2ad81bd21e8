package alcabala.server.merge;

import alcabala.accounting.field.Half;
import alcabala.accounting.sync.Baseline;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.Kept;
import alcabala.accounting.sync.LineMatch;
import alcabala.accounting.sync.RecordMerge.Merged;
import alcabala.connectors.ledger.LedgerRecord;

/// A document or payment of which both sides have one, merged.
///
/// @param there as the ledger was last seen to have it
/// @param places where the lines of either side stand
public record MergedRecord(
        Both<Half> now,
        Baseline baseline,
        RecordFields fields,
        Merged merged,
        LedgerRecord there,
        LineMatch.Places places) {
    Kept kept() {
        return Kept.of(now, baseline, merged, fields);
    }
}
