package alcabala.accounting.setting;

import alcabala.accounting.ledger.AccountType;
import java.util.List;

/// The decisions about a route, each with the values it takes and the one that holds until somebody decides (domain,
/// sections 3, 4 and 5). What each does is said at the edge.
public enum Setting {
    SALES_TAX(Topic.TAX, choice("as-mapped", "off"), "as-mapped"),
    UNSTATED_TAX(Topic.TAX, new Shape.TaxCode(), ""),
    PURCHASE_TAX(Topic.TAX, choice("reclaimed", "in-cost"), "reclaimed"),
    UNSTATED_PURCHASE_TAX(Topic.TAX, new Shape.TaxCode(), ""),
    RECEIVING_BANK(Topic.MONEY, new Shape.Account(AccountType.BANK), ""),
    PAYING_BANK(Topic.MONEY, new Shape.Account(AccountType.BANK), ""),
    DISCOUNT_TAX(Topic.MONEY, choice("reduced", "kept"), "reduced"),
    PAYMENT_DIFFERENCE(Topic.MONEY, new Shape.Count(), ""),
    NUMBERED_BY(Topic.NUMBERS, choice("source", "ledger"), "source"),
    NUMBER_PREFIX(Topic.NUMBERS, new Shape.Prefix(), ""),
    NEXT_INVOICE(Topic.NUMBERS, new Shape.Count(), ""),
    NEXT_CREDIT_NOTE(Topic.NUMBERS, new Shape.Count(), ""),
    INVOICES(Topic.CROSSING, choice("to-ledger", "none"), "to-ledger"),
    INVOICES_TRIGGER(Topic.CROSSING, trigger(), "batch"),
    INVOICES_CUT_OFF(Topic.CROSSING, new Shape.Day(), ""),
    INVOICES_WINNER(Topic.CROSSING, winner(), "ask"),
    CREDIT_NOTES(Topic.CROSSING, choice("to-ledger", "none"), "to-ledger"),
    CREDIT_NOTES_TRIGGER(Topic.CROSSING, trigger(), "batch"),
    CREDIT_NOTES_CUT_OFF(Topic.CROSSING, new Shape.Day(), ""),
    CREDIT_NOTES_WINNER(Topic.CROSSING, winner(), "ask"),
    BILLS(Topic.CROSSING, choice("none", "to-ledger"), "none"),
    BILLS_TRIGGER(Topic.CROSSING, choice("batch", "by-hand", "approved"), "batch"),
    BILLS_CUT_OFF(Topic.CROSSING, new Shape.Day(), ""),
    BILLS_WINNER(Topic.CROSSING, winner(), "ask"),
    SUPPLIER_CREDITS(Topic.CROSSING, choice("none", "to-ledger"), "none"),
    SUPPLIER_CREDITS_TRIGGER(Topic.CROSSING, choice("batch", "by-hand", "approved"), "batch"),
    SUPPLIER_CREDITS_CUT_OFF(Topic.CROSSING, new Shape.Day(), ""),
    SUPPLIER_CREDITS_WINNER(Topic.CROSSING, winner(), "ask"),
    PAYMENTS(Topic.CROSSING, choice("from-ledger", "to-ledger", "both", "none"), "from-ledger"),
    PAYMENTS_TRIGGER(Topic.CROSSING, choice("batch", "by-hand", "approved"), "batch"),
    PAYMENTS_CUT_OFF(Topic.CROSSING, new Shape.Day(), ""),
    PAYMENTS_OUT(Topic.CROSSING, choice("none", "to-ledger"), "none"),
    PAYMENTS_OUT_TRIGGER(Topic.CROSSING, choice("batch", "by-hand", "approved"), "batch"),
    PAYMENTS_OUT_CUT_OFF(Topic.CROSSING, new Shape.Day(), ""),
    NEW_PARTIES(Topic.CROSSING, choice("create", "ask"), "create"),
    ARRIVAL(Topic.DOCUMENT, choice("final", "draft"), "final"),
    DOCUMENT_DATE(Topic.DOCUMENT, choice("own", "delivery", "batch"), "own"),
    LINE_DETAIL(Topic.DOCUMENT, choice("each-line", "by-account"), "each-line"),
    LINE_KIND(Topic.DOCUMENT, choice("items", "accounts"), "items"),
    ITEM_NAMES(Topic.DOCUMENT, choice("no", "yes"), "no"),
    LINE_NOTES(Topic.DOCUMENT, choice("no", "yes"), "no"),
    WORK_DESCRIPTION(Topic.DOCUMENT, choice("no", "yes"), "no"),
    E_MAIL(Topic.DOCUMENT, choice("no", "yes"), "no");

    /// What a setting is about, in the order in which they are decided.
    public enum Topic {
        TAX,
        MONEY,
        NUMBERS,
        CROSSING,
        DOCUMENT
    }

    private final Topic topic;
    private final Shape shape;
    private final String standard;

    Setting(Topic topic, Shape shape, String standard) {
        this.topic = topic;
        this.shape = shape;
        this.standard = standard;
    }

    public Topic topic() {
        return topic;
    }

    public Shape shape() {
        return shape;
    }

    /// The value that holds until somebody decides.
    public String standard() {
        return standard;
    }

    private static Shape choice(String... words) {
        return new Shape.Choice(List.of(words));
    }

    private static Shape winner() {
        return choice("ask", "source", "ledger");
    }

    private static Shape trigger() {
        return choice("batch", "by-hand", "approved", "finished", "sent", "paid");
    }
}
