package alcabala.connectors.ledger;

import alcabala.accounting.item.ItemField;
import alcabala.connectors.spi.Capability;
import java.util.Optional;
import java.util.Set;

/// Changes items that stand there; either side can. The same key gets the same answer again.
public interface RewritesItems extends Capability {
    /// An item as it was read there.
    ///
    /// @param version as that side names it
    record ItemThere(LedgerItem item, String version) {}

    /// The fields in which it takes another value; a ledger takes its accounts too.
    Set<ItemField> itemFields();

    /// Empty when it is not there (any more).
    Optional<ItemThere> findItem(String code);

    /// Refused with [RewritesParties#STALE] when somebody changed it since it was read.
    ///
    /// @param item as it is to be; fields that it does not take are as they stand
    /// @return accepted with what stands there by now
    Answer<LedgerItem> change(ItemThere standing, LedgerItem item, String key);
}
