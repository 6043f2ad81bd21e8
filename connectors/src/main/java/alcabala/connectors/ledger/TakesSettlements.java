package alcabala.connectors.ledger;

import alcabala.accounting.posting.LedgerSettlement;
import alcabala.connectors.spi.Capability;

/// Takes payments and refunds through its interface, one request each: a ledger those of apps, an app those that were
/// entered on the ledger.
public interface TakesSettlements extends Capability {
    /// @param partyId its own id of the party
    /// @param reference our name for the settlement, by which it can be asked for
    Answer<LedgerRecord> post(LedgerSettlement settlement, String partyId, String reference, String key);

    /// The exact body that [#post] sends, for the trail.
    String body(LedgerSettlement settlement, String partyId, String reference);
}
