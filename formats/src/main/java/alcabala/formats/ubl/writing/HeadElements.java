package alcabala.formats.ubl.writing;

import alcabala.accounting.posting.LedgerDocument;
import java.util.List;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.BillingReferenceType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.DocumentReferenceType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PaymentMeansType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PaymentTermsType;
import oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.NoteType;

/// What is said of a document as a whole, in invoices and credit notes alike.
record HeadElements(UblDocument document) {
    /// The core of EN 16931 (BT-24).
    static final String CUSTOMIZATION = "urn:cen.eu:en16931:2017";
    /// UNCL4461: no means are agreed on.
    private static final String NOT_DEFINED = "1";

    private LedgerDocument entry() {
        return document.document();
    }

    /// Its number; our name for it where the ledger gives the number (BT-1).
    String number() {
        return Text.of(entry().number().isEmpty() ? document.reference() : entry().number());
    }

    List<NoteType> notes() {
        return entry().note().isBlank() ? List.of() : List.of(new NoteType(Text.of(entry().note())));
    }

    /// The invoice that is credited or corrected (BT-25).
    List<BillingReferenceType> preceding() {
        if (entry().precedingNumber().isEmpty()) {
            return List.of();
        }
        BillingReferenceType element = new BillingReferenceType();
        element.setInvoiceDocumentReference(reference(entry().precedingNumber()));
        return List.of(element);
    }

    /// Our name for it, by which the ledger's answer names it (BT-122).
    DocumentReferenceType ours() {
        return reference(document.reference());
    }

    /// The ledger's code of the terms (BT-20), or the day once more: a credit note has no other place for it.
    List<PaymentTermsType> terms() {
        String said = entry().terms().isEmpty() && entry().kind().isCredit() && entry().dueDate() != null
                ? "due " + entry().dueDate()
                : entry().terms();
        if (said.isEmpty()) {
            return List.of();
        }
        PaymentTermsType terms = new PaymentTermsType();
        terms.addNote(new NoteType(Text.of(said)));
        return List.of(terms);
    }

    /// When a credit note is due.
    List<PaymentMeansType> due() {
        if (entry().dueDate() == null) {
            return List.of();
        }
        PaymentMeansType means = new PaymentMeansType();
        means.setPaymentMeansCode(NOT_DEFINED);
        means.setPaymentDueDate(entry().dueDate());
        return List.of(means);
    }

    private static DocumentReferenceType reference(String id) {
        DocumentReferenceType reference = new DocumentReferenceType();
        reference.setID(Text.of(id));
        return reference;
    }
}
