package alcabala.accounting.document;

/// What an item is. A kit is sold as one and taken from stock in parts.
public enum ItemKind {
    GOODS(LineKind.GOODS),
    KIT(LineKind.GOODS),
    /// Work at a price of its own, not by the hour.
    SERVICE(LineKind.LABOUR),
    /// A rate for an hour's work.
    LABOUR(LineKind.LABOUR),
    EXPENSE(LineKind.EXPENSE),
    SHIPPING(LineKind.SHIPPING),
    DISCOUNT(LineKind.DISCOUNT),
    FEE(LineKind.FEE),
    ADVANCE(LineKind.ADVANCE);

    private final LineKind lines;

    ItemKind(LineKind lines) {
        this.lines = lines;
    }

    /// The kind of line that it is sold on.
    public LineKind lineKind() {
        return lines;
    }

    /// Whether it lies in stock, so that it has an account there and one for what it cost.
    public boolean isStocked() {
        return lines == LineKind.GOODS;
    }

    /// The usual one that is sold on such lines.
    public static ItemKind of(LineKind lines) {
        return valueOf(lines.name());
    }
}
