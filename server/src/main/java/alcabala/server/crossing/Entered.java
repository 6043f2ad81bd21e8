package alcabala.server.crossing;

import alcabala.connectors.ledger.LedgerRecord;

/// A record that somebody entered on a ledger.
///
/// @param party its source's code of a document's party; empty where none is known, and for what settles documents
/// @param isNew whether somebody said that its source does not have it
public record Entered(LedgerRecord record, String party, boolean isNew) {}
