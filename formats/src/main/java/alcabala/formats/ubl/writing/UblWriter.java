package alcabala.formats.ubl.writing;

import alcabala.accounting.document.TypeCode;
import java.util.List;

/// Writes a document as a UBL 2.1 invoice or credit note: the same document gives the same bytes.
public final class UblWriter {
    /// What the two call the same things.
    private record Names(String root, String typed, TypeCode type, String line, String quantified) {
        private static final Names INVOICE =
                new Names("Invoice", "InvoiceTypeCode", TypeCode.INVOICE, "InvoiceLine", "InvoicedQuantity");
        private static final Names CREDIT_NOTE = new Names(
                "CreditNote", "CreditNoteTypeCode", TypeCode.CREDIT_NOTE, "CreditNoteLine", "CreditedQuantity");
    }

    private UblWriter() {}

    /// @param content in UTF-8
    public record Invoice(byte[] content, List<Missing> missing) {}

    /// @throws IllegalArgumentException when a line has a tax code that the ledger has not
    public static Invoice write(UblDocument document) {
        Charged charged = Charged.of(document);
        boolean credit = document.document().kind().isCredit();
        Names names = credit ? Names.CREDIT_NOTE : Names.INVOICE;
        byte[] content = UblXml.of(names.root(), xml -> {
            head(xml, document, names, credit);
            PartyElements.seller(xml, document, charged);
            PartyElements.buyer(xml, document, charged);
            PartyElements.delivery(xml, document.buyer());
            payment(xml, document, credit);
            TaxElements.total(xml, charged);
            TaxElements.totals(xml, charged, document.document().gross());
            int position = 0;
            for (Charged.Line line : charged.lines()) {
                LineElements.of(line).write(xml, names.line(), names.quantified(), ++position, document);
            }
        });
        return new Invoice(content, Missing.of(document, charged));
    }

    private static void head(UblXml xml, UblDocument document, Names names, boolean credit) {
        HeadElements head = new HeadElements(document);
        head.beginning(xml);
        if (!credit) {
            head.dueDate(xml);
        }
        xml.text(names.typed(), names.type().code());
        head.references(xml);
    }

    private static void payment(UblXml xml, UblDocument document, boolean credit) {
        HeadElements head = new HeadElements(document);
        if (credit) {
            head.means(xml);
        }
        head.terms(xml);
    }
}
