package alcabala.connectors.ledger;

/// @param taxCode the code the ledger proposes for it; empty when it has none
public record LedgerItem(String code, String name, String account, String taxCode, boolean active) {}
