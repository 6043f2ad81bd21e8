package alcabala.accounting.setting;

import alcabala.accounting.ledger.AccountType;
import java.util.List;

/// The decisions about a route, each with the values it takes and the one that holds until somebody decides (domain,
/// sections 3, 4 and 5). What each does is said at the edge.
public enum Setting {
    SALES_TAX(Group.TAX, choice("as-mapped", "off"), "as-mapped"),
    UNSTATED_TAX(Group.TAX, new Shape.TaxCode(), ""),
    RECEIVING_BANK(Group.MONEY, new Shape.Account(AccountType.BANK), ""),
    PAYING_BANK(Group.MONEY, new Shape.Account(AccountType.BANK), ""),
    NUMBERED_BY(Group.NUMBERS, choice("source", "ledger"), "source"),
    NUMBER_PREFIX(Group.NUMBERS, new Shape.Prefix(), ""),
    NEXT_INVOICE(Group.NUMBERS, new Shape.Count(), ""),
    NEXT_CREDIT_NOTE(Group.NUMBERS, new Shape.Count(), ""),
    INVOICES(Group.CROSSING, choice("to-ledger", "none"), "to-ledger"),
    INVOICES_TRIGGER(Group.CROSSING, trigger(), "batch"),
    INVOICES_CUT_OFF(Group.CROSSING, new Shape.Day(), ""),
    CREDIT_NOTES(Group.CROSSING, choice("to-ledger", "none"), "to-ledger"),
    CREDIT_NOTES_TRIGGER(Group.CROSSING, trigger(), "batch"),
    CREDIT_NOTES_CUT_OFF(Group.CROSSING, new Shape.Day(), ""),
    PAYMENTS(Group.CROSSING, choice("from-ledger", "none"), "from-ledger"),
    NEW_PARTIES(Group.CROSSING, choice("create", "ask"), "create"),
    ARRIVAL(Group.DOCUMENT, choice("final", "draft"), "final"),
    DOCUMENT_DATE(Group.DOCUMENT, choice("own", "delivery", "batch"), "own"),
    LINE_DETAIL(Group.DOCUMENT, choice("each-line", "by-account"), "each-line"),
    LINE_KIND(Group.DOCUMENT, choice("items", "accounts"), "items"),
    ITEM_NAMES(Group.DOCUMENT, choice("no", "yes"), "no"),
    LINE_NOTES(Group.DOCUMENT, choice("no", "yes"), "no"),
    WORK_DESCRIPTION(Group.DOCUMENT, choice("no", "yes"), "no"),
    E_MAIL(Group.DOCUMENT, choice("no", "yes"), "no");

    /// What a setting is about, in the order in which they are decided.
    public enum Group {
        TAX,
        MONEY,
        NUMBERS,
        CROSSING,
        DOCUMENT
    }

    private final Group group;
    private final Shape shape;
    private final String standard;

    Setting(Group group, Shape shape, String standard) {
        this.group = group;
        this.shape = shape;
        this.standard = standard;
    }

    public Group group() {
        return group;
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

    private static Shape trigger() {
        return choice("batch", "by-hand", "approved", "finished", "sent", "paid");
    }
}
