package alcabala.connectors.ledger;

import alcabala.accounting.party.Party;
import alcabala.connectors.spi.Capability;
import java.util.Optional;

/// Creates parties and items, once under each key; either side can.
public interface CreatesMasters extends Capability {
    /// @param party its code says nothing where that side gives it one
    /// @param reference ours, for a side that keeps it
    Answer<Party> create(Party party, String reference, String key);

    /// As above.
    Answer<LedgerItem> create(LedgerItem item, String reference, String key);

    /// The party that a request under this key created.
    Optional<Party> findCreatedParty(String key);

    /// The item that a request under this key created.
    Optional<LedgerItem> findCreatedItem(String key);
}
