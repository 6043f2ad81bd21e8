package alcabala.connectors.ledger;

import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.LedgerDocument;
import java.util.List;
import java.util.Optional;

/// An accounting system that keeps books. Reading throws [alcabala.connectors.UnreachableException]; writing answers.
public interface LedgerConnector {
    LedgerCompany company();

    List<LedgerAccount> accounts();

    List<LedgerTaxCode> taxCodes();

    List<Party> parties();

    List<LedgerItem> items();

    Answer<Party> create(Party party, String reference, String key);

    Answer<LedgerItem> create(LedgerItem item, String reference, String key);

    /// @param partyId the ledger's own id of the party
    /// @param reference our name for the document, by which it can be asked for
    Answer<LedgerRecord> post(LedgerDocument document, String partyId, String reference, String key);

    /// The exact body that [#post] sends, for the trail.
    String body(LedgerDocument document, String partyId, String reference);

    /// What became of a request; empty when the ledger never did it.
    Optional<String> findRequest(String key);

    Optional<LedgerRecord> findByReference(String reference);

    LedgerRecord document(String id);

    LedgerFeed changes(long after, int limit);
}
