package alcabala.connectors.ledger;

/// A document that stands on the ledger, as it was last read there.
///
/// @param number the one it has there, whoever gave it
public record Standing(String id, int version, String number) {}
