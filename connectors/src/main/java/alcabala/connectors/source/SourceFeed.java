package alcabala.connectors.source;

import java.util.List;

/// @param next the cursor to go on from
public record SourceFeed(List<SourceChange> changes, long next, boolean more) {}
