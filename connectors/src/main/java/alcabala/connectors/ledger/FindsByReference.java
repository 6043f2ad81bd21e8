package alcabala.connectors.ledger;

import alcabala.accounting.record.Family;
import alcabala.connectors.spi.Capability;
import java.util.Optional;

/// Finds what was sent by our name for it.
public interface FindsByReference extends Capability {
    Optional<LedgerRecord> findByReference(Family family, String reference);
}
