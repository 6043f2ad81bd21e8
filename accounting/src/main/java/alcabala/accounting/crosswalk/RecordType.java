package alcabala.accounting.crosswalk;

/// What can cross on a route (domain, section 4).
public enum RecordType {
    SALES,
    PURCHASES,
    SETTLEMENTS,
    STOCK_JOURNALS,
    CARD_PAYOUTS,
    /// Money taken to the bank together, and transfers between own accounts.
    BANKINGS,
    /// Gift vouchers, sold, used and expired.
    VOUCHERS
}
