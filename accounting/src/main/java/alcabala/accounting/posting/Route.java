package alcabala.accounting.posting;

/// One crossing, from a source to a ledger.
public record Route(String code, String source, String ledger) {}
