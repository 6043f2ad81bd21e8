package alcabala.accounting.setting;

import alcabala.accounting.record.RecordKind;
import java.util.List;
import java.util.stream.Stream;

/// Kinds of record about which one thing is decided together.
public enum Carried {
    /// Decided once for the whole route.
    EVERYTHING(),
    INVOICES(RecordKind.INVOICE),
    CREDIT_NOTES(RecordKind.CREDIT_NOTE),
    BILLS(RecordKind.BILL),
    SUPPLIER_CREDITS(RecordKind.SUPPLIER_CREDIT),
    /// What is taken to the bank goes as what was received does.
    PAYMENTS(RecordKind.PAYMENT_IN, RecordKind.REFUND, RecordKind.RETURNED_IN, RecordKind.BANKING),
    PAYMENTS_OUT(RecordKind.PAYMENT_OUT, RecordKind.SUPPLIER_REFUND, RecordKind.RETURNED_OUT),
    /// Customers and suppliers that stand on both sides.
    PARTIES(),
    /// What is sold and bought, and stands on both sides.
    ITEMS();

    /// Kinds of master that stand on both sides.
    public static final List<Carried> MASTERS = List.of(PARTIES, ITEMS);

    static final List<Carried> SALES = List.of(INVOICES, CREDIT_NOTES);
    static final List<Carried> PURCHASES = List.of(BILLS, SUPPLIER_CREDITS);
    static final List<Carried> DOCUMENTS = List.of(INVOICES, CREDIT_NOTES, BILLS, SUPPLIER_CREDITS);
    private static final List<Carried> BY_KIND =
            Stream.of(RecordKind.values()).map(Carried::holding).toList();
    private final List<RecordKind> kinds;

    Carried(RecordKind... kinds) {
        this.kinds = List.of(kinds);
    }

    /// Those that a kind belongs to.
    public static Carried of(RecordKind kind) {
        return BY_KIND.get(kind.ordinal());
    }

    private static Carried holding(RecordKind kind) {
        return Stream.of(values())
                .filter(carried -> carried.kinds.contains(kind))
                .findFirst()
                .orElseThrow();
    }

    public List<RecordKind> kinds() {
        return kinds;
    }

    /// Whether records are what it is about, and not masters.
    public boolean hasRecords() {
        return !kinds.isEmpty();
    }

    /// Whether sold, or money for what was sold.
    boolean isSale() {
        return hasRecords() && kinds.getFirst().isSale();
    }

    /// Whether what it holds are documents.
    public boolean isDocument() {
        return hasRecords() && kinds.getFirst().isDocument();
    }
}
