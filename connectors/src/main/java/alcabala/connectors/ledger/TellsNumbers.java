package alcabala.connectors.ledger;

import alcabala.accounting.record.RecordKind;
import alcabala.connectors.spi.Capability;
import java.util.Collection;
import java.util.Map;

/// Says which numbers of documents are in use.
public interface TellsNumbers extends Capability {
    /// The highest number in use for each kind of document, by the digits at its end.
    Map<RecordKind, String> highestNumbers();

    /// Which of these document numbers are in use, each with our name for the document, or an empty text when somebody
    /// else entered it.
    Map<String, String> numbersTaken(Collection<String> numbers);
}
