package alcabala.accounting.ledger;

/// One account of the ledger's chart.
public record LedgerAccount(String code, String name, AccountType type, boolean active) {
    LedgerAccount inUse() {
        return new LedgerAccount(code, name, type, true);
    }
}
