package alcabala.accounting.readiness;

/// What is looked at, in the order in which it is put right.
public enum Check {
    CONSENT(true),
    SAME_BOOKS(true),
    ROUTES(false),
    ACCOUNT_ROLES(false),
    DEFAULT_FOR_SALES(false),
    DEFAULT_FOR_PURCHASES(false),
    TAX_OFF(false),
    TAX_CODES(false),
    TAX_RATES(false),
    APPLIES_CREDITS(true),
    TRACKS_QUANTITIES(true),
    NUMBERS(true),
    PERIOD(true),
    CURRENCIES(false),
    PURCHASE_ORDERS(true),
    DIMENSIONS(true),
    ITEM_NAMES(false),
    ONE_WAY_ONLY(false),
    TRAIL(false),
    CALENDAR(true);

    private final boolean asksLedger;

    Check(boolean asksLedger) {
        this.asksLedger = asksLedger;
    }

    /// Whether only the ledger itself can say; such checks are left out where it cannot be asked.
    public boolean asksLedger() {
        return asksLedger;
    }
}
