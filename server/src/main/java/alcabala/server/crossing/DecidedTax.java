package alcabala.server.crossing;

import alcabala.accounting.field.Half;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.connectors.ledger.LedgerRecord;
import java.util.Optional;
import org.joda.money.Money;
import org.springframework.stereotype.Component;

/// What a ledger that decides tax itself made of a document, held against what the document states (records, section
/// 2).
@Component
public class DecidedTax {
    private final Postings postings;
    private final Links links;

    DecidedTax(Postings postings, Links links) {
        this.postings = postings;
        this.links = links;
    }

    /// Empty when the ledger decided nothing, or the same.
    public Optional<Finding.TaxDecidedOtherwise> find(long recordId) {
        return links.findSeen(recordId)
                .filter(LedgerRecord::decidedTax)
                .flatMap(there -> postings.findSent(recordId)
                        .map(Postings.Sent::entry)
                        .filter(LedgerDocument.class::isInstance)
                        .map(LedgerDocument.class::cast)
                        .flatMap(sent -> compare(sent, there)));
    }

    /// What both sides agree on: of what the ledger answered, all but the tax that nobody here agreed to.
    Half agreed(Dispatch dispatch, LedgerRecord answered) {
        return findSent(dispatch, answered)
                .map(sent -> answered.half()
                        .with(Half.GROSS, sent.gross().getAmount())
                        .with(Half.TAX, sent.tax().getAmount()))
                .orElseGet(answered::half);
    }

    Optional<Finding.TaxDecidedOtherwise> compare(Dispatch dispatch, LedgerRecord answered) {
        return findSent(dispatch, answered).flatMap(sent -> compare(sent, answered));
    }

    private Optional<LedgerDocument> findSent(Dispatch dispatch, LedgerRecord answered) {
        return answered.decidedTax()
                ? postings.find(dispatch)
                        .map(Frozen::entry)
                        .filter(LedgerDocument.class::isInstance)
                        .map(LedgerDocument.class::cast)
                : Optional.empty();
    }

    private static Optional<Finding.TaxDecidedOtherwise> compare(LedgerDocument sent, LedgerRecord there) {
        return there.tax().compareTo(sent.tax().getAmount()) == 0
                ? Optional.empty()
                : Optional.of(new Finding.TaxDecidedOtherwise(sent.tax(), Money.of(sent.currency(), there.tax())));
    }
}
