package alcabala.formats.ubl.writing;

import alcabala.accounting.document.TypeCode;
import com.helger.jaxb.GenericJAXBMarshaller;
import com.helger.ubl21.UBL21Marshaller;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.CreditNoteLineType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.InvoiceLineType;
import oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.CreditedQuantityType;
import oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.InvoicedQuantityType;
import oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.LineExtensionAmountType;
import oasis.names.specification.ubl.schema.xsd.creditnote_21.CreditNoteType;
import oasis.names.specification.ubl.schema.xsd.invoice_21.InvoiceType;

/// Writes a document as a UBL 2.1 invoice or credit note: the same document gives the same bytes.
public final class UblWriter {
    private UblWriter() {}

    /// @return in UTF-8
    /// @throws IllegalArgumentException when a line has a tax code that the ledger has not
    public static byte[] write(UblDocument document) {
        Charged charged = Charged.of(document);
        return document.document().kind().isCredit()
                ? bytes(UBL21Marshaller.creditNote(), creditNote(document, charged))
                : bytes(UBL21Marshaller.invoice(), invoice(document, charged));
    }

    /// Against the schema it is held in the tests: to do so each time takes longer than to write it.
    private static <T> byte[] bytes(GenericJAXBMarshaller<T> marshaller, T element) {
        marshaller.setUseSchema(false);
        marshaller.setFormattedOutput(true);
        byte[] bytes = marshaller.getAsBytes(element);
        if (bytes == null) {
            throw new IllegalStateException("a UBL file could not be written");
        }
        return bytes;
    }

    private static InvoiceType invoice(UblDocument document, Charged charged) {
        HeadElements head = new HeadElements(document);
        InvoiceType invoice = new InvoiceType();
        invoice.setCustomizationID(HeadElements.CUSTOMIZATION);
        invoice.setID(head.number());
        invoice.setIssueDate(document.document().issueDate());
        invoice.setInvoiceTypeCode(TypeCode.INVOICE.code());
        if (document.document().dueDate() != null) {
            invoice.setDueDate(document.document().dueDate());
        }
        head.notes().forEach(invoice::addNote);
        invoice.setDocumentCurrencyCode(document.document().currency().getCode());
        head.preceding().forEach(invoice::addBillingReference);
        invoice.addAdditionalDocumentReference(head.ours());
        invoice.setAccountingSupplierParty(PartyElements.seller(document, charged));
        invoice.setAccountingCustomerParty(PartyElements.buyer(document, charged));
        PartyElements.delivery(document.buyer()).forEach(invoice::addDelivery);
        head.terms().forEach(invoice::addPaymentTerms);
        invoice.addTaxTotal(TaxElements.total(charged));
        invoice.setLegalMonetaryTotal(
                TaxElements.totals(charged, document.document().gross()));
        int position = 0;
        for (Charged.Line line : charged.lines()) {
            invoice.addInvoiceLine(invoiceLine(++position, LineElements.of(line), document));
        }
        return invoice;
    }

    private static InvoiceLineType invoiceLine(int position, LineElements line, UblDocument document) {
        InvoiceLineType element = new InvoiceLineType();
        element.setID(String.valueOf(position));
        InvoicedQuantityType quantity = new InvoicedQuantityType();
        quantity.setValue(line.quantity());
        quantity.setUnitCode(document.unit(line.line().line().item()));
        element.setInvoicedQuantity(quantity);
        element.setLineExtensionAmount(Amount.of(line.line().net(), new LineExtensionAmountType()));
        element.setAccountingCost(line.line().line().account());
        line.allowanceOrCharge().ifPresent(element::addAllowanceCharge);
        element.setItem(line.item());
        element.setPrice(line.priceElement());
        return element;
    }

    private static CreditNoteType creditNote(UblDocument document, Charged charged) {
        HeadElements head = new HeadElements(document);
        CreditNoteType note = new CreditNoteType();
        note.setCustomizationID(HeadElements.CUSTOMIZATION);
        note.setID(head.number());
        note.setIssueDate(document.document().issueDate());
        note.setCreditNoteTypeCode(TypeCode.CREDIT_NOTE.code());
        head.notes().forEach(note::addNote);
        note.setDocumentCurrencyCode(document.document().currency().getCode());
        head.preceding().forEach(note::addBillingReference);
        note.addAdditionalDocumentReference(head.ours());
        note.setAccountingSupplierParty(PartyElements.seller(document, charged));
        note.setAccountingCustomerParty(PartyElements.buyer(document, charged));
        PartyElements.delivery(document.buyer()).forEach(note::addDelivery);
        head.due().forEach(note::addPaymentMeans);
        head.terms().forEach(note::addPaymentTerms);
        note.addTaxTotal(TaxElements.total(charged));
        note.setLegalMonetaryTotal(
                TaxElements.totals(charged, document.document().gross()));
        int position = 0;
        for (Charged.Line line : charged.lines()) {
            note.addCreditNoteLine(creditNoteLine(++position, LineElements.of(line), document));
        }
        return note;
    }

    private static CreditNoteLineType creditNoteLine(int position, LineElements line, UblDocument document) {
        CreditNoteLineType element = new CreditNoteLineType();
        element.setID(String.valueOf(position));
        CreditedQuantityType quantity = new CreditedQuantityType();
        quantity.setValue(line.quantity());
        quantity.setUnitCode(document.unit(line.line().line().item()));
        element.setCreditedQuantity(quantity);
        element.setLineExtensionAmount(Amount.of(line.line().net(), new LineExtensionAmountType()));
        element.setAccountingCost(line.line().line().account());
        line.allowanceOrCharge().ifPresent(element::addAllowanceCharge);
        element.setItem(line.item());
        element.setPrice(line.priceElement());
        return element;
    }
}
