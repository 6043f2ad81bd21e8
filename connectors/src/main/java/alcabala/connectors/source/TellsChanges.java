package alcabala.connectors.source;

import alcabala.connectors.spi.Capability;

/// Tells what changed in an operational app since a cursor, oldest first.
public interface TellsChanges extends Capability {
    /// @throws alcabala.connectors.UnreachableException when the app does not answer
    SourceFeed changes(long after, int limit);
}
