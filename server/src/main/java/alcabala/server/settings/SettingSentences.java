package alcabala.server.settings;

import alcabala.accounting.setting.Setting;
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
            Map.entry("NEW_PARTIES create", "created on their first document"),
            Map.entry("NEW_PARTIES ask", "asked about"),
            Map.entry("PURCHASE_TAX reclaimed", "reclaimed, as tax of its own"),
            Map.entry("PURCHASE_TAX in-cost", "not reclaimed, part of the cost"),
            Map.entry("ask", "somebody is asked"),
            Map.entry("source", "the source wins"),
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

    private SettingSentences() {}

    /// A choice as it is said.
    static String word(Setting setting, String value) {
        return WORDS.getOrDefault(setting + " " + value, WORDS.getOrDefault(value, value));
    }

    static String title(Setting setting) {
        return switch (setting) {
            case SALES_TAX -> "Tax on sales";
            case UNSTATED_TAX -> "Code for sales that state no tax";
            case PURCHASE_TAX -> "Tax on purchases";
            case UNSTATED_PURCHASE_TAX -> "Code for purchases that state no tax";
            case RECEIVING_BANK -> "Bank account for receiving";
            case PAYING_BANK -> "Bank account for paying";
            case NUMBERED_BY -> "Who numbers sales";
            case NUMBER_PREFIX -> "Before the number";
            case NEXT_INVOICE -> "Next invoice number";
            case NEXT_CREDIT_NOTE -> "Next credit note number";
            case INVOICES -> "Invoices cross";
            case INVOICES_TRIGGER -> "Invoices go";
            case INVOICES_CUT_OFF -> "Invoices from";
            case INVOICES_WINNER -> "Invoices changed on the ledger";
            case CREDIT_NOTES_WINNER -> "Credit notes changed there";
            case BILLS_WINNER -> "Bills changed on the ledger";
            case SUPPLIER_CREDITS_WINNER -> "Supplier credits changed there";
            case CREDIT_NOTES -> "Credit notes cross";
            case CREDIT_NOTES_TRIGGER -> "Credit notes go";
            case CREDIT_NOTES_CUT_OFF -> "Credit notes from";
            case BILLS -> "Bills cross";
            case BILLS_TRIGGER -> "Bills go";
            case BILLS_CUT_OFF -> "Bills from";
            case SUPPLIER_CREDITS -> "Supplier credits cross";
            case SUPPLIER_CREDITS_TRIGGER -> "Supplier credits go";
            case SUPPLIER_CREDITS_CUT_OFF -> "Supplier credits from";
            case PAYMENTS -> "Payments received cross";
            case PAYMENTS_TRIGGER -> "Payments received go";
            case PAYMENTS_CUT_OFF -> "Payments received from";
            case PAYMENTS_OUT -> "Payments made cross";
            case PAYMENTS_OUT_TRIGGER -> "Payments made go";
            case PAYMENTS_OUT_CUT_OFF -> "Payments made from";
            case DISCOUNT_TAX -> "Discount for paying early";
            case PAYMENT_DIFFERENCE -> "Cents that may be missing";
            case NEW_PARTIES -> "Parties that the ledger lacks";
            case ARRIVAL -> "Documents arrive as";
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
        return switch (setting) {
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
            case NEXT_INVOICE -> "Where the ledger begins, when it numbers invoices; it goes on from its highest.";
            case NEXT_CREDIT_NOTE ->
                "Where the ledger begins, when it numbers credit notes; it goes on from its highest.";
            case INVOICES -> "Which way invoices travel on this route.";
            case CREDIT_NOTES -> "Which way credit notes travel on this route.";
            case BILLS ->
                "Which way bills travel on this route, with what they need: payables, input tax, an account for what is bought.";
            case SUPPLIER_CREDITS -> "Which way credits from suppliers travel on this route.";
            case PAYMENTS ->
                "Which way money from customers travels, with refunds and what the bank sent back: what the source records is sent, what is entered on the ledger comes back and closes its document at the source.";
            case PAYMENTS_OUT -> "Which way money for suppliers travels on this route, with what they give back.";
            case PAYMENTS_TRIGGER, PAYMENTS_OUT_TRIGGER ->
                "Whether those taken in wait for a batch, to be chosen one by one, or go by themselves when fetched.";
            case PAYMENTS_CUT_OFF -> "Payments dated earlier neither go nor come back; leave it empty for all.";
            case PAYMENTS_OUT_CUT_OFF -> "Payments dated earlier stay here; leave it empty for all.";
            case DISCOUNT_TAX ->
                "Whether a discount for paying early takes back its share of the document’s tax, or is booked in full as discount.";
            case PAYMENT_DIFFERENCE ->
                "By how many cents a payment may miss its document, either way, and still settle it: booked as payment difference. Empty for none.";
            case INVOICES_TRIGGER ->
                "What has to happen before an invoice is ready, and whether it then goes by itself when fetched.";
            case CREDIT_NOTES_TRIGGER ->
                "What has to happen before a credit note is ready, and whether it then goes by itself when fetched.";
            case INVOICES_WINNER, CREDIT_NOTES_WINNER, BILLS_WINNER, SUPPLIER_CREDITS_WINNER ->
                "Who wins when one was changed on the ledger after it was posted: the source’s goes again in its place, the ledger’s stands, or somebody is asked.";
            case BILLS_TRIGGER, SUPPLIER_CREDITS_TRIGGER ->
                "Whether those taken in wait for a batch, to be chosen one by one, or go by themselves when fetched.";
            case BILLS_CUT_OFF -> "Bills dated earlier stay here; leave it empty for all.";
            case SUPPLIER_CREDITS_CUT_OFF -> "Supplier credits dated earlier stay here; leave it empty for all.";
            case INVOICES_CUT_OFF -> "Invoices dated earlier stay here; leave it empty for all.";
            case CREDIT_NOTES_CUT_OFF -> "Credit notes dated earlier stay here; leave it empty for all.";
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
}
