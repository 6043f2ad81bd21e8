package alcabala.formats.layout;

/// What a column can hold, and what it is said of.
public enum LayoutField {
    /// The same text in every row.
    FIXED(Scope.FILE),
    /// Counts the rows, from where one says.
    RUNNING_NUMBER(Scope.FILE),
    /// The batch and its revision, by which the ledger's answer tells which file it is about.
    DELIVERY(Scope.FILE),
    REFERENCE(Scope.RECORD),
    KIND(Scope.RECORD),
    NUMBER(Scope.RECORD),
    DATE(Scope.RECORD),
    DUE_DATE(Scope.RECORD),
    PARTY(Scope.RECORD),
    SOURCE_PARTY(Scope.RECORD),
    PARTY_NAME(Scope.RECORD),
    CURRENCY(Scope.RECORD),
    RATE(Scope.RECORD),
    /// Whether prices hold the tax: `gross`, or `net`.
    PRICES(Scope.RECORD),
    CONTROL_ACCOUNT(Scope.RECORD),
    /// The number of what it credits or corrects.
    PRECEDING_NUMBER(Scope.RECORD),
    TERMS(Scope.RECORD),
    NOTE(Scope.RECORD),
    /// The one code of all its lines, for a ledger that takes one.
    RECORD_TAX_CODE(Scope.RECORD),
    NET(Scope.RECORD),
    TAX(Scope.RECORD),
    GROSS(Scope.RECORD),
    /// UNCL4461.
    MEANS(Scope.RECORD),
    MONEY_ACCOUNT(Scope.RECORD),
    /// What a settlement says on its slip.
    REMITTANCE(Scope.RECORD),
    /// A field of the ledger's own; its code is the argument.
    OWN_FIELD(Scope.RECORD),
    LINE_NUMBER(Scope.LINE),
    ITEM(Scope.LINE),
    DESCRIPTION(Scope.LINE),
    QUANTITY(Scope.LINE),
    PRICE(Scope.LINE),
    ADJUSTMENT(Scope.LINE),
    AMOUNT(Scope.LINE),
    ACCOUNT(Scope.LINE),
    TAX_CODE(Scope.LINE),
    /// `yes` where the line has a tax code, else `no`.
    TAXED(Scope.LINE),
    /// A dimension of the ledger; its code is the argument.
    DIMENSION(Scope.LINE),
    BOOKING_NUMBER(Scope.BOOKING),
    BOOKED_ACCOUNT(Scope.BOOKING),
    BOOKED_PARTY(Scope.BOOKING),
    BOOKED_TAX_CODE(Scope.BOOKING),
    DEBIT(Scope.BOOKING),
    CREDIT(Scope.BOOKING),
    /// Debits as they are, credits negative.
    SIGNED(Scope.BOOKING),
    BASE_DEBIT(Scope.BOOKING),
    BASE_CREDIT(Scope.BOOKING),
    /// The number of the document that is settled, where it is one.
    SETTLES(Scope.BOOKING);

    /// What a field is said of. What is said of a file or a record can be repeated on each of its rows.
    public enum Scope {
        FILE,
        RECORD,
        LINE,
        BOOKING
    }

    /// What its cells are.
    public enum Shape {
        TEXT,
        DAY,
        NUMBER
    }

    private final Scope scope;

    LayoutField(Scope scope) {
        this.scope = scope;
    }

    public Scope scope() {
        return scope;
    }

    public Shape shape() {
        return switch (this) {
            case DATE, DUE_DATE -> Shape.DAY;
            case RUNNING_NUMBER, RATE, NET, TAX, GROSS, LINE_NUMBER, QUANTITY, PRICE, ADJUSTMENT, AMOUNT ->
                Shape.NUMBER;
            case BOOKING_NUMBER, DEBIT, CREDIT, SIGNED, BASE_DEBIT, BASE_CREDIT -> Shape.NUMBER;
            default -> Shape.TEXT;
        };
    }

    /// Whether a column of it has to say which.
    public boolean takesArgument() {
        return switch (this) {
            case FIXED, RUNNING_NUMBER, OWN_FIELD, DIMENSION -> true;
            default -> false;
        };
    }
}
