package alcabala.formats.layout;

import alcabala.accounting.posting.Journal;
import alcabala.accounting.posting.LedgerEntry;

/// What goes into a file of one record.
///
/// @param reference our name for it there, by which the ledger's answer names it
/// @param partyName as the record names its party
public record Exported(LedgerEntry entry, Journal journal, String reference, String partyName) {}
