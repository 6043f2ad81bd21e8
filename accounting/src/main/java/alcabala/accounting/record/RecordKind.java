package alcabala.accounting.record;

import java.util.Locale;
import java.util.function.Predicate;
import java.util.stream.Stream;

/// What a record is, seen from the business: the one place that knows family, side, sign and word of a kind.
public enum RecordKind {
    INVOICE(Family.DOCUMENT, true, 1),
    CREDIT_NOTE(Family.DOCUMENT, true, -1),
    BILL(Family.DOCUMENT, false, 1),
    SUPPLIER_CREDIT(Family.DOCUMENT, false, -1),
    PAYMENT_IN(Family.SETTLEMENT, true, 1),
    /// Money given back to a customer.
    REFUND(Family.SETTLEMENT, true, -1),
    /// A payment in that the bank took back.
    RETURNED_IN(Family.SETTLEMENT, true, -1),
    PAYMENT_OUT(Family.SETTLEMENT, false, 1),
    /// Money that a supplier gave back.
    SUPPLIER_REFUND(Family.SETTLEMENT, false, -1),
    /// A payment out that came back.
    RETURNED_OUT(Family.SETTLEMENT, false, -1),
    /// What was received and is taken to the bank together.
    BANKING(Family.TRANSFER, true, 1);

    private final Family family;
    private final boolean sale;
    private final int sign;

    RecordKind(Family family, boolean sale, int sign) {
        this.family = family;
        this.sale = sale;
        this.sign = sign;
    }

    public Family family() {
        return family;
    }

    public boolean isDocument() {
        return family == Family.DOCUMENT;
    }

    /// Whether it stands on the side of customers; else on that of suppliers.
    public boolean isSale() {
        return sale;
    }

    /// Whether it takes back what the plain kind of its family does.
    public boolean isCredit() {
        return sign < 0;
    }

    public boolean isSettlement() {
        return family == Family.SETTLEMENT;
    }

    /// Whether there is a customer or supplier to it.
    public boolean hasParty() {
        return family != Family.TRANSFER;
    }

    /// Whether money comes in with a settlement of this kind; else it goes out.
    public boolean bringsMoney() {
        return sale != isCredit();
    }

    /// Whether it undoes another record of its own family.
    public boolean isReturn() {
        return this == RETURNED_IN || this == RETURNED_OUT;
    }

    /// Whether a settlement of this kind can settle a document of another; what was returned opens it again.
    public boolean settles(RecordKind document) {
        boolean takesBack = isCredit() && !isReturn();
        return isSettlement() && document.isDocument() && document.sale == sale && document.isCredit() == takesBack;
    }

    /// The document that takes back one of this kind.
    public RecordKind opposite() {
        return switch (this) {
            case INVOICE -> CREDIT_NOTE;
            case CREDIT_NOTE -> INVOICE;
            case BILL -> SUPPLIER_CREDIT;
            case SUPPLIER_CREDIT -> BILL;
            case PAYMENT_IN, REFUND, RETURNED_IN, PAYMENT_OUT, SUPPLIER_REFUND, RETURNED_OUT, BANKING ->
                throw new IllegalArgumentException(word() + " is taken back as what it is");
        };
    }

    /// 1, or -1 for what is given back.
    public int sign() {
        return sign;
    }

    /// The same paper as its seller made it out.
    public RecordKind fromTheSeller() {
        return isCredit() ? CREDIT_NOTE : INVOICE;
    }

    /// The same paper seen by its buyer.
    public RecordKind fromTheBuyer() {
        return isCredit() ? SUPPLIER_CREDIT : BILL;
    }

    /// The kind that a word is for.
    public static RecordKind of(String word) {
        return valueOf(word.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    /// The words of those kinds, in their own order.
    public static String[] words(Predicate<RecordKind> which) {
        return Stream.of(values()).filter(which).map(RecordKind::word).toArray(String[]::new);
    }

    /// `invoice`, `credit-note`, `payment-in`: the word used in the API and in the database.
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
