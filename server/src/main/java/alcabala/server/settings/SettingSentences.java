package alcabala.server.settings;

import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.Setting;
import alcabala.accounting.setting.Shape;
import alcabala.accounting.setting.Topic;
import alcabala.server.platform.Sentences;
import java.util.Locale;
import java.util.Map;

/// The edge where settings become plain sentences.
final class SettingSentences {
    private static final Map<String, String> WORDS = Map.ofEntries(
            Map.entry("SALES_TAX as-mapped", "as the crosswalk says"),
            Map.entry("SALES_TAX off", "switched off"),
            Map.entry("NUMBERED_BY source", "the source"),
            Map.entry("NUMBERED_BY ledger", "the ledger"),
            Map.entry("ARRIVAL final", "final"),
            Map.entry("ARRIVAL draft", "a draft"),
            Map.entry("DOCUMENT_DATE own", "its own"),
            Map.entry("DOCUMENT_DATE delivery", "the day of delivery"),
            Map.entry("DOCUMENT_DATE batch", "the day of its batch"),
            Map.entry("LINE_DETAIL each-line", "each line"),
            Map.entry("LINE_DETAIL by-account", "one line for each account and tax code"),
            Map.entry("LINE_KIND items", "lines with items"),
            Map.entry("LINE_KIND accounts", "lines with accounts only"),
            Map.entry("CUSTOMERS organisation", "the client"),
            Map.entry("CUSTOMERS with-contacts", "the client with those to speak to"),
            Map.entry("CUSTOMERS project", "each project, under the client’s name"),
            Map.entry("CUSTOMERS sub-project", "each project, below the client"),
            Map.entry("NEW_PARTIES create", "created on their first document"),
            Map.entry("NEW_PARTIES ask", "asked about"),
            Map.entry("SOURCE_LACKS leave", "left where they are"),
            Map.entry("SOURCE_LACKS create", "created in the source"),
            Map.entry("PURCHASE_TAX reclaimed", "reclaimed, as tax of its own"),
            Map.entry("PURCHASE_TAX in-cost", "not reclaimed, part of the cost"),
            Map.entry("ask", "somebody is asked"),
            Map.entry("source", "the source wins"),
            Map.entry("latest", "the later wins"),
            Map.entry("ledger", "the ledger wins"),
            Map.entry("to-ledger", "to the ledger"),
            Map.entry("from-ledger", "from the ledger"),
            Map.entry("both", "both ways"),
            Map.entry("DISCOUNT_TAX reduced", "reduces the tax"),
            Map.entry("DISCOUNT_TAX kept", "leaves the tax as it was"),
            Map.entry("none", "not at all"),
            Map.entry("batch", "approved, held for a batch"),
            Map.entry("by-hand", "approved, chosen one by one"),
            Map.entry("approved", "by itself once approved"),
            Map.entry("finished", "by itself once the work is finished"),
            Map.entry("sent", "by itself once sent to the customer"),
            Map.entry("paid", "by itself once paid"),
            Map.entry("yes", "yes"),
            Map.entry("no", "no"));

    private static final Map<String, String> OWNERS =
            Map.of("nobody", "nobody’s", "source", "the source’s", "ledger", "the ledger’s");

    private SettingSentences() {}

    /// A choice as it is said.
    static String word(Setting setting, String value) {
        if (value.isEmpty() && isApart(setting)) {
            return "as all";
        }
        if (setting.topic().isOwner()) {
            return value.equals("nobody") && setting.of().isDocument()
                    ? "whoever wins"
                    : OWNERS.getOrDefault(value, value);
        }
        return WORDS.getOrDefault(setting.topic() + " " + value, WORDS.getOrDefault(value, value));
    }

    /// `Supplier credits`, as a sentence about them begins.
    static String kinds(Carried of) {
        return switch (of) {
            case EVERYTHING -> "Records";
            case PAYMENTS_OUT -> "Payments made";
            case PARTIES -> "Parties";
            case ITEMS -> "Items";
            case INVOICES, CREDIT_NOTES, BILLS, SUPPLIER_CREDITS, PAYMENTS ->
                Sentences.plural(of.kinds().getFirst());
        };
    }

    /// `invoice`, as one of them is called.
    private static String kind(Carried of) {
        return of.kinds().getFirst().word().replace('-', ' ');
    }

    static String title(Setting setting) {
        return isApart(setting)
                ? kinds(setting.of()) + ": " + titleOf(setting).toLowerCase(Locale.ROOT)
                : titleOf(setting);
    }

    /// Whether it says in what a kind differs from the others.
    private static boolean isApart(Setting setting) {
        return setting.of() != Carried.EVERYTHING && setting.topic().concerns().contains(Carried.EVERYTHING);
    }

    private static String titleOf(Setting setting) {
        String kinds = kinds(setting.of());
        return switch (setting.topic()) {
            case SALES_TAX -> "Tax on sales";
            case UNSTATED_TAX -> "Code for sales that state no tax";
            case PURCHASE_TAX -> "Tax on purchases";
            case UNSTATED_PURCHASE_TAX -> "Code for purchases that state no tax";
            case RECEIVING_BANK -> "Bank account for receiving";
            case PAYING_BANK -> "Bank account for paying";
            case NUMBERED_BY -> "Who numbers sales";
            case NUMBER_PREFIX -> "Before the number";
            case FIRST_NUMBER -> "Next " + kind(setting.of()) + " number";
            case DIRECTION -> kinds + " cross";
            case TRIGGER -> kinds + " go";
            case CUT_OFF -> kinds + " from";
            case WINNER -> setting.of().hasRecords() ? kinds + " changed there" : kinds + " changed on both sides";
            case SOURCE_LACKS -> kinds + " that the source lacks";
            case OWNER_OF_NAME -> "Whose names are";
            case OWNER_OF_TAX_IDENTIFIER -> "Whose tax identifiers are";
            case OWNER_OF_E_MAIL -> "Whose e-mail addresses are";
            case OWNER_OF_PHONE -> "Whose phone numbers are";
            case OWNER_OF_BILL_TO -> "Whose bill-to addresses are";
            case OWNER_OF_SHIP_TO -> "Whose ship-to addresses are";
            case OWNER_OF_TERMS -> "Whose terms are";
            case OWNER_OF_UNIT -> "Whose units are";
            case OWNER_OF_KIND -> "Whose kinds of item are";
            case OWNER_OF_PARTY -> "Whose parties are";
            case OWNER_OF_ISSUE_DATE -> "Whose dates are";
            case OWNER_OF_DUE_DATE -> "Whose due dates are";
            case OWNER_OF_LINES -> "Whose lines are";
            case DISCOUNT_TAX -> "Discount for paying early";
            case PAYMENT_DIFFERENCE -> "Cents that may be missing";
            case CUSTOMERS -> "Customers on the ledger";
            case NEW_PARTIES -> "Parties that the ledger lacks";
            case ARRIVAL -> "Arrives as";
            case DOCUMENT_DATE -> "Date on the ledger";
            case LINE_DETAIL -> "Lines";
            case LINE_KIND -> "Kind of lines";
            case ITEM_NAMES -> "Item’s name in the text";
            case LINE_NOTES -> "Notes on lines";
            case WORK_DESCRIPTION -> "Work done, at the end";
            case E_MAIL -> "Mark for e-mailing";
        };
    }

    static String does(Setting setting) {
        return switch (setting.topic()) {
            case SALES_TAX ->
                "Whether tax crosses as tax. Switched off, lines cross with their tax inside and no code: the tax would be booked as revenue.";
            case UNSTATED_TAX ->
                "The ledger’s code for a line sold whose source says nothing about tax; without one, each such line is asked about.";
            case PURCHASE_TAX ->
                "Whether tax on bills is posted as input tax, or stays in what was bought, for a business that does not reclaim it.";
            case UNSTATED_PURCHASE_TAX ->
                "The ledger’s code for a line bought whose bill says nothing about tax; without one, each such line is asked about.";
            case RECEIVING_BANK -> "Where money from customers is expected to arrive.";
            case PAYING_BANK -> "Where money for suppliers is expected to leave from.";
            case NUMBERED_BY ->
                "The source’s numbers stand on the ledger too, or the ledger gives its own and they are shown here.";
            case NUMBER_PREFIX ->
                "Letters before each number on the ledger, so that numbers of several sources cannot meet.";
            case FIRST_NUMBER ->
                "Where the ledger begins, when it numbers a new " + kind(setting.of())
                        + "; it goes on from its highest.";
            case DIRECTION -> direction(setting.of());
            case TRIGGER -> trigger(setting);
            case CUT_OFF -> cutOff(setting.of());
            case SOURCE_LACKS ->
                "What becomes of %s in use that only the ledger has, where changes travel from it: they stay there, or each is created in the source once it is certain that it has none like it."
                        .formatted(kinds(setting.of()).toLowerCase(Locale.ROOT));
            case OWNER_OF_NAME,
                    OWNER_OF_TAX_IDENTIFIER,
                    OWNER_OF_E_MAIL,
                    OWNER_OF_PHONE,
                    OWNER_OF_BILL_TO,
                    OWNER_OF_SHIP_TO,
                    OWNER_OF_TERMS,
                    OWNER_OF_UNIT,
                    OWNER_OF_KIND ->
                "Whose it is stands on both sides as far as it goes that way; what the other side changes in it is shown.";
            case OWNER_OF_PARTY, OWNER_OF_ISSUE_DATE, OWNER_OF_DUE_DATE, OWNER_OF_LINES ->
                "Whose it is, whoever wins otherwise: where the ledger changed it, the source’s goes again in its place or the ledger’s stands."
                        + (setting.topic() == Topic.OWNER_OF_LINES
                                ? " What its source changes in lines of the ledger is asked about."
                                : "");
            case WINNER ->
                !setting.of().hasRecords()
                        ? "Who wins where a field that nobody owns was changed on both sides: one side’s goes to the other, the later of the two does, or somebody is asked."
                        : "Who wins when one was changed on the ledger after it was posted: the source’s goes again in its place, the ledger’s stands, the later of the two does, or somebody is asked."
                                + " What both changed has a later one only where it is one field and both tell when.";
            case DISCOUNT_TAX ->
                "Whether a discount for paying early takes back its share of the document’s tax, or is booked in full as discount.";
            case PAYMENT_DIFFERENCE ->
                "By how many cents a payment may miss its document, either way, and still settle it: booked as payment difference. Empty for none.";
            case CUSTOMERS ->
                "Who of the source is a customer there. A document for several projects, or none, is the client’s own; below the client only where the ledger has that.";
            case NEW_PARTIES ->
                "A customer or supplier who is not on the ledger is created there with the first document, or blocks it until somebody says who it is.";
            case ARRIVAL -> "A final document is booked at once; a draft once somebody makes it final on the ledger.";
            case DOCUMENT_DATE ->
                "The date a document takes on the ledger; without a day of delivery it keeps its own.";
            case LINE_DETAIL ->
                "All lines as the source has them, or one sum for each account and tax code; tax is computed on what is sent.";
            case LINE_KIND -> "Whether lines name the ledger’s items or only its accounts.";
            case ITEM_NAMES -> "Puts the item’s own name before the text of its line.";
            case LINE_NOTES -> "Adds the worker’s notes on a line to its text.";
            case WORK_DESCRIPTION -> "Adds what was done, and the notes on it, at the end of the document.";
            case E_MAIL -> "Tells the ledger to put the document among those to be e-mailed.";
        };
    }

    private static String direction(Carried of) {
        return switch (of) {
            case BILLS ->
                "Which way bills travel on this route, with what they need: payables, input tax, an account for what is bought.";
            case SUPPLIER_CREDITS -> "Which way credits from suppliers travel on this route.";
            case PAYMENTS ->
                "Which way money from customers travels, with refunds and what the bank sent back: what the source records is sent, what is entered on the ledger comes back and closes its document at the source.";
            case PARTIES, ITEMS ->
                "Which way changes of %s travel that stand on both sides. Where none do, a change is shown."
                        .formatted(kinds(of).toLowerCase(Locale.ROOT));
            case PAYMENTS_OUT -> "Which way money for suppliers travels on this route, with what they give back.";
            case INVOICES, CREDIT_NOTES, EVERYTHING ->
                "Which way " + kinds(of).toLowerCase(Locale.ROOT) + " travel on this route.";
        };
    }

    private static String trigger(Setting setting) {
        boolean waitsForTheSource =
                setting.shape() instanceof Shape.Choice choice && choice.words().contains("finished");
        return waitsForTheSource
                ? "What has to happen before one is ready, and whether it then goes by itself when fetched."
                : "Whether those taken in wait for a batch, to be chosen one by one, or go by themselves when fetched.";
    }

    private static String cutOff(Carried of) {
        return of == Carried.PAYMENTS
                ? "Payments dated earlier neither go nor come back; leave it empty for all."
                : kinds(of) + " dated earlier stay here; leave it empty for all.";
    }
}
