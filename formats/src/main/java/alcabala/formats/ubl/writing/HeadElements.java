package alcabala.formats.ubl.writing;

import alcabala.accounting.posting.LedgerDocument;

/// What is said of a document as a whole, in invoices and credit notes alike.
record HeadElements(UblDocument document) {
    /// The core of EN 16931 (BT-24).
    private static final String CUSTOMIZATION = "urn:cen.eu:en16931:2017";
    /// UNCL4461: no means are agreed on.
    private static final String NOT_DEFINED = "1";

    private LedgerDocument entry() {
        return document.document();
    }

    /// What both begin with. A document is known by its number, or by our name for it where the ledger gives the number
    /// (BT-1).
    void beginning(UblXml xml) {
        xml.text("CustomizationID", CUSTOMIZATION)
                .text("ID", entry().number().isEmpty() ? document.reference() : entry().number())
                .text("IssueDate", entry().issueDate().toString());
    }

    /// Of an invoice; a credit note has no such place (BT-9).
    void dueDate(UblXml xml) {
        xml.text("DueDate", day());
    }

    /// The note, the currency, the invoice that is credited or corrected (BT-25), and our name for it, by which the
    /// ledger's answer names it (BT-122).
    void references(UblXml xml) {
        xml.text("Note", entry().note().isBlank() ? "" : entry().note())
                .text("DocumentCurrencyCode", entry().currency().getCode());
        if (!entry().precedingNumber().isEmpty()) {
            xml.group(
                    "BillingReference",
                    billing -> billing.group(
                            "InvoiceDocumentReference", reference -> reference.text("ID", entry().precedingNumber())));
        }
        xml.group("AdditionalDocumentReference", reference -> reference.text("ID", document.reference()));
    }

    /// When a credit note is due.
    void means(UblXml xml) {
        if (entry().dueDate() != null) {
            xml.group(
                    "PaymentMeans",
                    means -> means.text("PaymentMeansCode", NOT_DEFINED).text("PaymentDueDate", day()));
        }
    }

    /// The ledger's code of the terms (BT-20), or the day once more: a credit note has no other place for it.
    void terms(UblXml xml) {
        String said = entry().terms().isEmpty() && entry().kind().isCredit() && entry().dueDate() != null
                ? "due " + day()
                : entry().terms();
        if (!said.isEmpty()) {
            xml.group("PaymentTerms", terms -> terms.text("Note", said));
        }
    }

    private String day() {
        return entry().dueDate() == null ? "" : entry().dueDate().toString();
    }
}
