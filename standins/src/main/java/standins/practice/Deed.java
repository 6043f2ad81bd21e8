package standins.practice;

/// What somebody, or something, does.
enum Deed {
    /// `customer` and `party` get other names, each another one.
    PARTY_RENAMED_TWICE,
    /// `account` is switched off.
    ACCOUNT_SWITCHED_OFF,
    /// The books are locked through `day`.
    PERIOD_LOCKED,
    /// The next that is written to Inkwell is done, its answer is lost, and Inkwell is down for a while.
    ANSWER_LOST,
    /// Somebody enters a document under `number` in Inkwell.
    NUMBER_TAKEN,
    /// `document` is paid in Hullwork, and the same payment is entered for `ledgerDocument` in Inkwell.
    PAYMENT_RECORDED_TWICE,
    /// A line of `ledgerDocument` is changed in Inkwell.
    LINE_EDITED,
    /// Inkwell's owner withdraws its consent.
    CONSENT_REVOKED,
    /// Inkwell's clock is an hour ahead.
    CLOCK_AN_HOUR_OFF,
    /// `taxCode` has another rate.
    TAX_RATE_CHANGED,
    /// `ledgerDocument` is struck out in Inkwell.
    DOCUMENT_DELETED,
    /// `customer` is entered once more in Hullwork `as` another, nearly the same, and `document` is made out to it
    /// again.
    CUSTOMER_ENTERED_TWICE,
    /// `document` and `ledgerDocument` are changed, each otherwise.
    CHANGED_UNDER_US,
    /// Hullwork's changes begin again from nothing.
    FEED_BEGUN_AGAIN,
    /// Hullwork answers web pages for a while.
    SOURCE_ANSWERS_RUBBISH,
    /// Hullwork tells of records that nobody can use.
    RECORDS_UNUSABLE
}
