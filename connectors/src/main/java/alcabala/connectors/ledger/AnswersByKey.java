package alcabala.connectors.ledger;

import alcabala.connectors.spi.Capability;
import java.util.Optional;

/// Keeps its answer to each request, so that a lost one can be asked for.
public interface AnswersByKey extends Capability {
    /// What a request under this key posted or changed; empty when the ledger never did it.
    Optional<LedgerRecord> findPosted(String key);
}
