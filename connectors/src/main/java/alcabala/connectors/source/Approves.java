package alcabala.connectors.source;

import alcabala.connectors.spi.Capability;

/// Approves documents on their source.
public interface Approves extends Capability {
    /// @throws alcabala.connectors.UnreachableException when the app does not answer
    /// @throws alcabala.connectors.SaidNoException when it says no
    void approve(String documentId);
}
