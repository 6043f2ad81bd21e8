package alcabala.server.crossing;

import alcabala.accounting.posting.Journal;
import alcabala.accounting.posting.LedgerDocument;

/// What was compiled, as it is shown before it goes and as it goes.
///
/// @param journal what it will cause
/// @param partyName the name of its party, should that have to be created
/// @param needs the number of the document that it credits, on its source; empty when there is none
public record Posting(LedgerDocument entry, Journal journal, String partyName, String needs) {}
