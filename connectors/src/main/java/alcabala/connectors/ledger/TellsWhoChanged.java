package alcabala.connectors.ledger;

import alcabala.accounting.record.Family;
import alcabala.accounting.sync.LastChange;
import alcabala.accounting.sync.LastChanges;
import alcabala.connectors.spi.Capability;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;

/// Tells when and by whom something was last changed; either side can. Reading throws
/// [alcabala.connectors.UnreachableException].
public interface TellsWhoChanged extends Capability {
    /// How many can be asked about at once.
    int MOST = 100;

    /// By code, of those of which it tells anything; the fields by our codes.
    Map<String, LastChanges> partiesChanged(Collection<String> codes);

    Map<String, LastChanges> itemsChanged(Collection<String> codes);

    /// Of one document or payment as a whole.
    ///
    /// @param ref by which this side knows it
    Optional<LastChange> recordChanged(Family family, String ref);
}
