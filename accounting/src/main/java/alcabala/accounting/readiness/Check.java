package alcabala.accounting.readiness;

/// What is looked at, in the order in which it is put right.
public enum Check {
    CONSENT,
    ACCOUNT_ROLES,
    DEFAULT_FOR_SALES,
    TAX_CODES,
    TAX_RATES,
    APPLIES_CREDITS,
    TRACKS_QUANTITIES,
    NUMBERS,
    PERIOD,
    CURRENCIES,
    DIMENSIONS,
    ITEM_NAMES,
    ONE_WAY_ONLY,
    CALENDAR
}
