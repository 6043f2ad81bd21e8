package alcabala.accounting.settlement;

import alcabala.accounting.record.RecordKind;
import java.util.Optional;

/// Looks up the documents that settlements name, and the settlements that bankings do.
@FunctionalInterface
public interface Targets {
    Targets NONE = (kind, number, party) -> Optional.empty();

    /// @param party the source's code of who paid or was paid: a number of a bill is its supplier's own
    Optional<Target> find(RecordKind kind, String number, String party);

    /// Nothing is known of receipts unless somebody says so.
    default Optional<Received> findReceived(Banking.Receipt receipt) {
        return Optional.empty();
    }
}
