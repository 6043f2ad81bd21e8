package alcabala.connectors.source;

import alcabala.accounting.record.Family;
import alcabala.connectors.spi.Capability;
import java.util.Optional;

/// Tells of a single record as it is now, without the feed.
public interface TellsOne extends Capability {
    /// As the feed would tell it; set aside when it cannot be understood, and empty when the app has no such record.
    ///
    /// @param ref what identifies it for good, as in [SourceChange.RecordChanged]; of what the app made itself
    Optional<SourceChange> find(Family family, String ref);
}
