package alcabala.accounting.document;

/// What a line sells.
public enum LineKind {
    GOODS,
    LABOUR,
    EXPENSE,
    SHIPPING,
    DISCOUNT,
    FEE,
    ADVANCE
}
