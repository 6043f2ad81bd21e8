package alcabala.formats;

import alcabala.accounting.document.Document;
import java.util.List;

/// What reading a file gave.
public sealed interface ReadResult {
    /// The document as the file states it.
    record Read(Document document) implements ReadResult {}

    /// Nothing could be taken in.
    record Unreadable(List<Problem> problems) implements ReadResult {}
}
