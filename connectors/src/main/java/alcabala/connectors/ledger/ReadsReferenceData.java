package alcabala.connectors.ledger;

import alcabala.accounting.custom.CustomField;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.party.Party;
import alcabala.accounting.terms.CodedTerms;
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

    /// Values of dimensions; of a ledger without any, or that has them switched off, none.
    default void dimensions(Consumer<List<LedgerDimensionValue>> page) {}

    /// Rates of exchange; of a ledger that keeps one currency only, none.
    default void rates(Consumer<List<LedgerRate>> page) {}

    /// Terms of payment, as far as the ledger keeps any.
    default void terms(Consumer<List<CodedTerms>> page) {}

    /// What the business added to its documents; of a ledger where it can add none, none.
    default void fields(Consumer<List<CustomField>> page) {}
}
