package alcabala.connectors.ledger;

import alcabala.connectors.Unusable;
import alcabala.connectors.ledger.TellsBalances.Balance;
import alcabala.connectors.ledger.TellsBalances.OpenDocument;
import alcabala.connectors.spi.Capability;
import alcabala.formats.csv.CsvProblem;
import java.time.LocalDate;
import java.util.List;

/// Tells what [TellsBalances] does, for one day, in a file that it writes.
public interface TellsBalancesInFile extends Capability {
    /// What such a file says.
    sealed interface Stood {
        /// @param day at whose end
        /// @param setAside those that cannot be understood
        record Read(LocalDate day, List<Balance> balances, List<OpenDocument> documents, List<Unusable> setAside)
                implements Stood {}

        record Unreadable(List<CsvProblem> problems) implements Stood {}
    }

    Stood read(byte[] file);
}
