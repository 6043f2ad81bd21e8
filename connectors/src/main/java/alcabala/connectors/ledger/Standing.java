package alcabala.connectors.ledger;

/// A record that stands on the other side, as it was last read there.
///
/// @param id the ledger's own; on a source our name for what was entered on the ledger
/// @param number the one it has there, whoever gave it
public record Standing(String id, int version, String number) {}
