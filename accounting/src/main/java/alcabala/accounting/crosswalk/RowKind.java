package alcabala.accounting.crosswalk;

/// What a crosswalk row stands for.
public enum RowKind {
    PARTY,
    ITEM,
    CATEGORY,
    TAX,
    ROLE,
    SUPPLIER,
    LINE
}
