package alcabala.connectors.ledger;

import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.party.Party;
import alcabala.connectors.spi.Capability;
import java.util.List;
import java.util.function.Consumer;

/// Tells what the ledger owns, page by page. Reading throws [alcabala.connectors.UnreachableException].
public interface ReadsReferenceData extends Capability {
    /// @throws alcabala.connectors.AnswerUnusableException when an account is of a type that nobody knows
    void accounts(Consumer<List<LedgerAccount>> page);

    void taxCodes(Consumer<List<LedgerTaxCode>> page);

    void parties(Consumer<List<Party>> page);

    void items(Consumer<List<LedgerItem>> page);

    /// Terms of payment, as far as the ledger keeps any.
    default void terms(Consumer<List<LedgerTerm>> page) {}
}
