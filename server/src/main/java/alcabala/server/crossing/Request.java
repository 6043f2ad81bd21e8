package alcabala.server.crossing;

import alcabala.accounting.posting.Cancellation;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.LedgerJournal;
import alcabala.accounting.posting.LedgerSettlement;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.connectors.ledger.ReplacesDocuments;
import alcabala.connectors.ledger.ReplacesJournals;
import alcabala.connectors.ledger.ReplacesSettlements;
import alcabala.connectors.ledger.Standing;
import alcabala.connectors.ledger.TakesBack;
import alcabala.connectors.ledger.TakesDocuments;
import alcabala.connectors.ledger.TakesJournals;
import alcabala.connectors.ledger.TakesSettlements;
import alcabala.connectors.spi.Connection;
import java.util.function.Function;

/// One request that changes the other side: what of the connection it asks for follows from what is sent.
///
/// @param body exactly what leaves, for the trail
/// @param send by its idempotency key
record Request(String body, Function<String, Answer<LedgerRecord>> send) {
    /// @param standing what stands there already; null for what is not there yet
    /// @throws alcabala.connectors.spi.CannotException when the connection cannot do it
    static Request of(Connection to, LedgerEntry entry, Standing standing, String party, String reference) {
        return switch (entry) {
            case LedgerDocument document
            when standing == null -> {
                TakesDocuments taking = to.get(TakesDocuments.class);
                yield new Request(
                        taking.body(document, party, reference), key -> taking.post(document, party, reference, key));
            }
            case LedgerDocument document -> {
                ReplacesDocuments replacing = to.get(ReplacesDocuments.class);
                yield new Request(
                        replacing.body(standing, document, party, reference),
                        key -> replacing.change(standing, document, party, reference, key));
            }
            case LedgerSettlement settlement
            when standing == null -> {
                TakesSettlements taking = to.get(TakesSettlements.class);
                yield new Request(
                        taking.body(settlement, party, reference),
                        key -> taking.post(settlement, party, reference, key));
            }
            case LedgerSettlement settlement -> {
                ReplacesSettlements replacing = to.get(ReplacesSettlements.class);
                yield new Request(
                        replacing.body(standing, settlement, party, reference),
                        key -> replacing.change(standing, settlement, party, reference, key));
            }
            case LedgerJournal journal
            when standing == null -> {
                TakesJournals taking = to.get(TakesJournals.class);
                yield new Request(taking.body(journal, reference), key -> taking.post(journal, reference, key));
            }
            case LedgerJournal journal -> {
                ReplacesJournals replacing = to.get(ReplacesJournals.class);
                yield new Request(
                        replacing.body(standing, journal, reference),
                        key -> replacing.change(standing, journal, reference, key));
            }
            case Cancellation cancellation -> {
                TakesBack taking = to.get(TakesBack.class);
                yield new Request(
                        taking.body(standing, cancellation), key -> taking.takeBack(standing, cancellation, key));
            }
        };
    }
}
