package alcabala.connectors.ledger;

import alcabala.accounting.posting.LedgerSettlement;
import alcabala.connectors.spi.Capability;

/// Puts a payment or refund in the place of one that stands there: the same record, a later version, which settles what
/// it says now.
public interface ReplacesSettlements extends Capability {
    /// Refused when somebody changed it since it was read, or it can no longer be changed, as in a locked period.
    Answer<LedgerRecord> change(
            Standing standing, LedgerSettlement settlement, String partyId, String reference, String key);

    /// The exact body that [#change] sends.
    String body(Standing standing, LedgerSettlement settlement, String partyId, String reference);
}
