package alcabala.accounting.readiness;

/// What is looked at, in the order in which it is put right.
public enum Check {
    CONSENT(true, true),
    SAME_BOOKS(true, true),
    ROUTES(false, false),
    ACCOUNT_ROLES(false, false),
    DEFAULT_FOR_SALES(false, false),
    DEFAULT_FOR_PURCHASES(false, false),
    TAX_OFF(false, false),
    TAX_CODES(false, false),
    TAX_RATES(false, false),
    APPLIES_CREDITS(true, false),
    TRACKS_QUANTITIES(true, false),
    NUMBERS(true, true),
    PERIOD(true, true),
    CURRENCIES(false, false),
    PURCHASE_ORDERS(true, false),
    DIMENSIONS(true, false),
    ITEM_NAMES(false, true),
    ONE_WAY_ONLY(false, false),
    TRAIL(false, true),
    CALENDAR(true, true);

    private final boolean asksLedger;
    private final boolean comesUp;

    Check(boolean asksLedger, boolean comesUp) {
        this.asksLedger = asksLedger;
        this.comesUp = comesUp;
    }

    /// Whether only the ledger itself can say; such checks are left out where it cannot be asked.
    public boolean asksLedger() {
        return asksLedger;
    }

    /// Whether it comes to fail in daily work, by what happens on either side; the others are about the setting up.
    public boolean comesUp() {
        return comesUp;
    }
}
