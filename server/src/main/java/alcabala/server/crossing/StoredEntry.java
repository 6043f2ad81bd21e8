package alcabala.server.crossing;

import alcabala.accounting.posting.Cancellation;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.LedgerSettlement;
import alcabala.accounting.record.RecordKind;
import alcabala.server.platform.DocumentJson;

/// An entry as it is kept with its posting, by the word of what it is.
final class StoredEntry {
    /// The shape that is written now; an older one is brought up to date here, step by step, when there is one.
    static final int SHAPE = 1;
    private static final String CANCELLATION = "cancellation";

    private StoredEntry() {}

    /// `invoice`, `payment-in`, …; `cancellation` of whatever it takes back.
    static String kind(LedgerEntry entry) {
        return entry instanceof Cancellation ? CANCELLATION : entry.kind().word();
    }

    static String write(LedgerEntry entry) {
        return DocumentJson.write(entry);
    }

    static LedgerEntry read(String kind, int shape, String content) {
        if (shape != SHAPE) {
            throw new IllegalStateException("an entry of the unknown shape " + shape);
        }
        if (kind.equals(CANCELLATION)) {
            return DocumentJson.read(content, Cancellation.class);
        }
        return switch (RecordKind.of(kind).family()) {
            case DOCUMENT -> DocumentJson.read(content, LedgerDocument.class);
            case SETTLEMENT -> DocumentJson.read(content, LedgerSettlement.class);
        };
    }
}
