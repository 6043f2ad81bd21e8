package alcabala.accounting.crosswalk;

/// What a crosswalk row stands for.
public enum RowKind {
    PARTY,
    ITEM,
    CATEGORY,
    TAX,
    ROLE,
    SUPPLIER,
    LINE,
    /// Somebody who pays for another party, see [Crosswalk#payerCode].
    PAYER,
    /// A means of payment in a currency, see [Crosswalk#meansCode].
    MEANS
}
