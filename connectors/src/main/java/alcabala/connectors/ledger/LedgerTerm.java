package alcabala.connectors.ledger;

/// Terms of payment.
///
/// @param days from the date of the document until it is due
public record LedgerTerm(String code, String name, int days, boolean active) {}
