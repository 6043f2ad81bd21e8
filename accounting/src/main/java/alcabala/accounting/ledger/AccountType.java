package alcabala.accounting.ledger;

/// The kinds of account that a role can ask for.
public enum AccountType {
    BANK,
    RECEIVABLE,
    STOCK,
    ASSET,
    PAYABLE,
    TAX,
    LIABILITY,
    EQUITY,
    REVENUE,
    COST,
    EXPENSE
}
