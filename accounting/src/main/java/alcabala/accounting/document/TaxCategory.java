package alcabala.accounting.document;

/// UNCL5305 as EN 16931 BT-151 uses it.
public enum TaxCategory {
    S,
    Z,
    E,
    AE,
    K,
    G,
    O,
    L,
    M,
    B
}
