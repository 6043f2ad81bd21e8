package alcabala.connectors.ledger;

import alcabala.accounting.sync.LastChanges;
import alcabala.connectors.spi.Capability;
import java.util.Collection;
import java.util.Map;

/// Tells when and by whom masters were last changed; either side can. Reading throws
/// [alcabala.connectors.UnreachableException].
public interface TellsWhoChanged extends Capability {
    /// How many can be asked about at once.
    int MOST = 100;

    /// By code, of those of which it tells anything; the fields by our codes.
    Map<String, LastChanges> partiesChanged(Collection<String> codes);

    Map<String, LastChanges> itemsChanged(Collection<String> codes);
}
