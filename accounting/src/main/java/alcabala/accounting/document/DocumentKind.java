package alcabala.accounting.document;

/// What a document is, seen from the business.
public enum DocumentKind {
    INVOICE,
    CREDIT_NOTE,
    BILL,
    SUPPLIER_CREDIT;

    public boolean isSale() {
        return this == INVOICE || this == CREDIT_NOTE;
    }

    public boolean isCredit() {
        return this == CREDIT_NOTE || this == SUPPLIER_CREDIT;
    }

    /// 1, or -1 for what is given back.
    public int sign() {
        return isCredit() ? -1 : 1;
    }

    /// The same paper as its seller made it out.
    public DocumentKind fromTheSeller() {
        return isCredit() ? CREDIT_NOTE : INVOICE;
    }

    /// The same paper seen by its buyer.
    public DocumentKind fromTheBuyer() {
        return isCredit() ? SUPPLIER_CREDIT : BILL;
    }

    /// The kind that a word is for.
    public static DocumentKind of(String word) {
        return valueOf(word.toUpperCase(java.util.Locale.ROOT).replace('-', '_'));
    }

    /// `invoice`, `credit-note`, `bill`, `supplier-credit`: the word used in the API and in the database.
    public String word() {
        return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }
}
