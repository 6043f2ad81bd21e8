package alcabala.connectors.source;

/// An operational app.
public interface SourceConnector {
    /// What changed since a cursor, oldest first.
    ///
    /// @throws alcabala.connectors.UnreachableException when the app does not answer
    SourceFeed changes(long after, int limit);

    /// Approves a document on its source.
    ///
    /// @throws alcabala.connectors.UnreachableException when the app does not answer
    /// @throws alcabala.connectors.SaidNoException when it says no
    void approve(String documentId);
}
