package alcabala.server.crossing;

import alcabala.accounting.posting.LedgerEntry;

/// A posting as it was frozen when it was queued: what was shown is what is sent, whatever is mapped meanwhile.
public record Frozen(LedgerEntry entry, String partyName, String needs) {}
