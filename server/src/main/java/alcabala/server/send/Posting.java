package alcabala.server.send;

import alcabala.accounting.posting.LedgerDocument;
import alcabala.server.platform.DocumentJson;

/// What was shown when a document was queued, and so what is sent, whatever is mapped meanwhile.
///
/// @param party the name of its party, should that have to be created
/// @param credits the number of the document that it credits, on its source; empty when there is none
record Posting(LedgerDocument document, String party, String credits) {
    String write() {
        return DocumentJson.write(this);
    }

    static Posting read(String json) {
        return DocumentJson.read(json, Posting.class);
    }
}
