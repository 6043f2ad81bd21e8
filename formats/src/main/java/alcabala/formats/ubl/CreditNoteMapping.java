package alcabala.formats.ubl;

import alcabala.accounting.document.AllowanceCharge;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.LineKind;
import alcabala.accounting.document.Ownership;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.TypeCode;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.tax.TaxRounding;
import java.math.BigDecimal;
import java.util.List;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.CreditNoteLineType;
import oasis.names.specification.ubl.schema.xsd.creditnote_21.CreditNoteType;
import org.joda.money.Money;

/// A UBL credit note as a document.
final class CreditNoteMapping {
    private final CreditNoteType file;
    private final Amounts amounts;
    private final Taxes taxes;

    private CreditNoteMapping(CreditNoteType file) {
        this.file = file;
        this.amounts = Mapping.amounts(file.getDocumentCurrencyCodeValue(), file.getLegalMonetaryTotal());
        this.taxes = new Taxes(file.getTaxTotal(), amounts);
    }

    static Document document(CreditNoteType file) {
        return new CreditNoteMapping(file).document();
    }

    private Document document() {
        List<AllowanceCharge> extras = Mapping.allowancesAndCharges(file.getAllowanceCharge(), taxes, amounts);
        return new Document(
                RecordKind.CREDIT_NOTE,
                Types.code(file.getCreditNoteTypeCodeValue(), TypeCode.CREDIT_NOTE),
                "",
                Parties.text(file.getIDValue()),
                file.getIssueDateValueLocal(),
                Mapping.dueDate(null, file.getPaymentMeans()),
                Mapping.deliveryDate(file.getDelivery()),
                "",
                Mapping.note(file.getNote()),
                "",
                List.of(),
                amounts.currency(),
                Mapping.rate(file.getPricingExchangeRate(), amounts.currency()),
                PriceMode.NET,
                TaxRounding.PER_DOCUMENT,
                Ownership.SELLER,
                Mapping.party(file.getAccountingSupplierParty(), List.of()),
                Mapping.party(file.getAccountingCustomerParty(), file.getDelivery()),
                Mapping.precedingNumber(file.getBillingReference()),
                file.getCreditNoteLine().stream().map(this::line).toList(),
                extras,
                taxes.subtotals(),
                Mapping.totals(file.getLegalMonetaryTotal(), taxes, amounts, extras),
                null);
    }

    private DocumentLine line(CreditNoteLineType line) {
        BigDecimal quantity = Mapping.quantity(line.getCreditedQuantityValue());
        Money amount = amounts.of(line.getLineExtensionAmount());
        Money adjustment = Mapping.adjustment(line.getAllowanceCharge(), amounts);
        return new DocumentLine(
                Parties.text(line.getIDValue()),
                LineKind.GOODS,
                Mapping.item(line.getItem()),
                Mapping.description(line.getItem()),
                "",
                Mapping.note(line.getNote()),
                "",
                Mapping.project(file),
                quantity,
                Mapping.text(line.getCreditedQuantity(), q -> q.getUnitCode()),
                Mapping.price(line.getPrice(), amount, adjustment, quantity),
                Mapping.baseQuantity(line.getPrice()),
                adjustment,
                amount,
                taxes.ofLine(line.getItem(), line.getTaxTotal()));
    }
}
