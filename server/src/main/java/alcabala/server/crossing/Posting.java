package alcabala.server.crossing;

import alcabala.accounting.field.Half;
import alcabala.accounting.posting.Journal;
import alcabala.accounting.posting.LedgerEntry;

/// What was compiled, as it is shown before it goes and as it goes.
///
/// @param journal what it will cause
/// @param source what the source has, of which it was made
/// @param partyName the name of its party, should that have to be created
/// @param needs the number of the document that it credits, on its source; empty when there is none
public record Posting(LedgerEntry entry, Journal journal, Half source, String partyName, String needs) {}
