package alcabala.connectors.source;

import alcabala.connectors.ledger.Answer;
import alcabala.connectors.spi.Capability;

/// Can be told what a document says in a field of the business's own. To say it twice is to say it once.
public interface WritesFields extends Capability {
    /// @param value as `FieldType` tells; empty takes away what is there
    /// @return accepted with what it says there by now
    Answer<String> say(String documentId, String field, String value);
}
