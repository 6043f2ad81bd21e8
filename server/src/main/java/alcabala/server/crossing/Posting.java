package alcabala.server.crossing;

import alcabala.accounting.document.Document;
import alcabala.accounting.field.Half;
import alcabala.accounting.field.SourceHalf;
import alcabala.accounting.posting.Cancellation;
import alcabala.accounting.posting.Journal;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.LedgerJournal;
import alcabala.accounting.posting.LedgerSettlement;
import alcabala.accounting.record.Record;

/// What was compiled, as it is shown before it goes and as it goes.
///
/// @param journal what it will cause
/// @param source what the source has, of which it was made
/// @param partyName the name of its party, should that have to be created
/// @param needs the number of the document that it credits, on its source; empty when there is none
public record Posting(LedgerEntry entry, Journal journal, Half source, String partyName, String needs) {
    /// @param entry as it was compiled of the record, dated as it goes
    public static Posting of(Record record, LedgerEntry entry, Journal journal) {
        return new Posting(
                entry,
                journal,
                SourceHalf.of(record),
                record.kind().hasParty() ? record.counterparty().name() : "",
                record instanceof Document document ? document.precedingNumber() : "");
    }

    /// As it goes where nothing is taken back in its place.
    Posting asEntry() {
        return entry instanceof Cancellation taken
                ? new Posting(taken.asEntry(), journal, source, partyName, needs)
                : this;
    }

    /// What goes one after the other, since each takes off a document what those before it have left in the currency of
    /// the books: what credits one document, and all money that is converted. Empty for all else. What credits a
    /// document of the same batch has its turn after that, since the first of them needs it.
    public String turn() {
        return switch (entry) {
            case LedgerDocument document -> document.rate().isSame() ? "" : needs;
            case LedgerSettlement settlement -> settlement.isConverted() ? "converted" : "";
            case LedgerJournal journal -> "";
            case Cancellation taken -> "";
        };
    }
}
