package alcabala.connectors.ledger;

import alcabala.accounting.document.DocumentKind;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.LedgerDocument;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/// An accounting system that keeps books. Reading throws [alcabala.connectors.UnreachableException]; writing answers.
public interface LedgerConnector {
    LedgerCompany company();

    /// The whole chart, page by page.
    ///
    /// @throws alcabala.connectors.AnswerUnusableException when an account is of a type that nobody knows
    void accounts(Consumer<List<LedgerAccount>> page);

    void taxCodes(Consumer<List<LedgerTaxCode>> page);

    void parties(Consumer<List<Party>> page);

    void items(Consumer<List<LedgerItem>> page);

    /// Terms of payment, as far as the ledger keeps any.
    default void terms(Consumer<List<LedgerTerm>> page) {}

    Answer<Party> create(Party party, String reference, String key);

    Answer<LedgerItem> create(LedgerItem item, String reference, String key);

    /// @param partyId the ledger's own id of the party
    /// @param reference our name for the document, by which it can be asked for
    Answer<LedgerRecord> post(LedgerDocument document, String partyId, String reference, String key);

    /// Puts a document in the place of one that stands there: the same record, a later version, its payments kept.
    /// Refused when somebody changed it since it was read.
    Answer<LedgerRecord> change(
            Standing standing, LedgerDocument document, String partyId, String reference, String key);

    /// The exact body that [#post] sends, for the trail.
    String body(LedgerDocument document, String partyId, String reference);

    /// The exact body that [#change] sends.
    String body(Standing standing, LedgerDocument document, String partyId, String reference);

    /// What a request under this key posted or changed; empty when the ledger never did it.
    Optional<LedgerRecord> findPosted(String key);

    /// The party that a request under this key created.
    Optional<Party> findCreatedParty(String key);

    /// The item that a request under this key created.
    Optional<LedgerItem> findCreatedItem(String key);

    Optional<LedgerRecord> findByReference(String reference);

    LedgerRecord document(String id);

    LedgerFeed changes(long after, int limit);

    LedgerCounts counts();

    /// The highest number in use for each kind of document, by the digits at its end.
    Map<DocumentKind, String> highestNumbers();

    /// Which of these document numbers are in use, each with our name for the document, or an empty text when somebody
    /// else entered it.
    Map<String, String> numbersTaken(Collection<String> numbers);
}
