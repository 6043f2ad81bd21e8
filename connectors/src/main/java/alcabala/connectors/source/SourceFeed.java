package alcabala.connectors.source;

import java.util.List;

/// @param next the cursor to go on from
/// @param begun another text once the feed began again from nothing, so that no cursor of before leads anywhere; empty
/// from an app that does not tell
public record SourceFeed(List<SourceChange> changes, long next, boolean more, String begun) {
    /// Of an app that does not tell whether it began again.
    public SourceFeed(List<SourceChange> changes, long next, boolean more) {
        this(changes, next, more, "");
    }

    public SourceFeed begunAs(String which) {
        return new SourceFeed(changes, next, more, which);
    }
}
