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
    B;

    /// Whether nothing is charged under it, whatever its rate (EN 16931 BR-AE-5 and its sisters).
    public boolean chargesNothing() {
        return switch (this) {
            case Z, E, AE, K, G, O -> true;
            case S, L, M, B -> false;
        };
    }
}
