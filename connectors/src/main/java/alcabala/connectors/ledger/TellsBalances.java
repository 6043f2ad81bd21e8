package alcabala.connectors.ledger;

import alcabala.connectors.Unusable;
import alcabala.connectors.spi.Capability;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.function.Consumer;
import org.joda.money.CurrencyUnit;

/// Tells what stood on its accounts at the end of a day, and which of its documents were open then.
public interface TellsBalances extends Capability {
    /// @param amount in the ledger's currency, debits positive
    record Balance(String account, BigDecimal amount) {}

    /// @param currency of the document
    /// @param open of it at the end of the day, in that
    /// @param baseOpen the same in the ledger's currency
    record OpenDocument(LedgerRecord record, CurrencyUnit currency, BigDecimal open, BigDecimal baseOpen) {}

    /// @param setAside those that cannot be understood
    record OpenPage(List<OpenDocument> documents, List<Unusable> setAside) {}

    List<Balance> balances(LocalDate day);

    /// Page by page, each document once.
    void openDocuments(LocalDate day, Consumer<OpenPage> page);
}
