package alcabala.connectors.ledger;

import alcabala.connectors.spi.Capability;
import java.util.Optional;

/// Changes items that stand there.
public interface RewritesItems extends Capability {
    /// An item as it was last read there.
    record ItemThere(LedgerItem item, int version) {}

    /// Empty when it is not there (any more).
    Optional<ItemThere> findItem(String code);

    /// Refused when somebody changed it since it was read.
    Answer<LedgerItem> change(ItemThere standing, LedgerItem item, String key);
}
