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
    EXPENSE;

    /// Whether money can move on it: a bank, what is under way to one, or a voucher that is owed.
    public boolean takesMoney() {
        return this == BANK || this == ASSET || this == LIABILITY;
    }

    /// Whether one line of a document may be sent there by hand: anywhere but to a control account or a bank.
    public boolean takesLines() {
        return switch (this) {
            case BANK, RECEIVABLE, PAYABLE -> false;
            case STOCK, ASSET, TAX, LIABILITY, EQUITY, REVENUE, COST, EXPENSE -> true;
        };
    }
}
