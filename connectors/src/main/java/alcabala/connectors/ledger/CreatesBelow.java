package alcabala.connectors.ledger;

import alcabala.accounting.party.Party;
import alcabala.connectors.spi.Capability;

/// Creates a party below another, once under each key.
public interface CreatesBelow extends Capability {
    /// @param parentId the ledger's id of the other
    Answer<Party> createBelow(Party party, String parentId, String reference, String key);
}
