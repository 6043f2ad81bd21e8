package alcabala.connectors.ledger;

import alcabala.accounting.record.Family;
import alcabala.connectors.spi.Capability;
import java.util.List;
import java.util.Optional;

/// Finds what stands there, whoever entered it.
public interface FindsRecords extends Capability {
    /// By the ledger's own id; empty when it is not there (any more).
    Optional<LedgerRecord> findRecord(Family family, String id);

    /// Those with a number, void ones too; of many the first few.
    List<LedgerRecord> numbered(Family family, String number);
}
