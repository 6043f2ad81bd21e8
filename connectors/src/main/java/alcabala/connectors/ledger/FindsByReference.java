package alcabala.connectors.ledger;

import alcabala.connectors.spi.Capability;
import java.util.Optional;

/// Finds a document by our name for it.
public interface FindsByReference extends Capability {
    Optional<LedgerRecord> findByReference(String reference);
}
