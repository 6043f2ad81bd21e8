package alcabala.connectors.ledger;

/// A company that a consent leads to.
public record CompanyOffer(String id, String name, String currency) {}
