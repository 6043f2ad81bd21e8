package alcabala.server.map;

/// One thing that a row says.
///
/// @param word what it says it of; empty for what such rows are mostly made for
/// @param code the ledger's
public record Said(String word, String code, String name) {}
