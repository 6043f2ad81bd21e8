package alcabala.formats.ubl;

import alcabala.accounting.document.AllowanceCharge;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.Ownership;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.TypeCode;
import alcabala.accounting.tax.TaxRounding;
import java.math.BigDecimal;
import java.util.List;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.InvoiceLineType;
import oasis.names.specification.ubl.schema.xsd.invoice_21.InvoiceType;
import org.joda.money.Money;

/// A UBL invoice as a document.
final class InvoiceMapping {
    private final InvoiceType file;
    private final Amounts amounts;
    private final Taxes taxes;

    private InvoiceMapping(InvoiceType file) {
        this.file = file;
        this.amounts = Mapping.amounts(file.getDocumentCurrencyCodeValue(), file.getLegalMonetaryTotal());
        this.taxes = new Taxes(file.getTaxTotal(), amounts);
    }

    static Document document(InvoiceType file) {
        return new InvoiceMapping(file).document();
    }

    private Document document() {
        List<AllowanceCharge> extras = Mapping.allowancesAndCharges(file.getAllowanceCharge(), taxes, amounts);
        String type = Types.code(file.getInvoiceTypeCodeValue(), TypeCode.INVOICE);
        return new Document(
                Types.ofInvoice(type),
                type,
                "",
                Parties.text(file.getIDValue()),
                file.getIssueDateValueLocal(),
                Mapping.dueDate(file.getDueDateValueLocal(), file.getPaymentMeans()),
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
                file.getInvoiceLine().stream().map(this::line).toList(),
                extras,
                taxes.subtotals(),
                Mapping.totals(file.getLegalMonetaryTotal(), taxes, amounts, extras),
                null);
    }

    private DocumentLine line(InvoiceLineType line) {
        BigDecimal quantity = Mapping.quantity(line.getInvoicedQuantityValue());
        Money amount = amounts.of(line.getLineExtensionAmount());
        Money adjustment = Mapping.adjustment(line.getAllowanceCharge(), amounts);
        return new DocumentLine(
                Parties.text(line.getIDValue()),
                Types.kindOfLines(file.getInvoiceTypeCodeValue()),
                Mapping.item(line.getItem()),
                Mapping.description(line.getItem()),
                "",
                Mapping.note(line.getNote()),
                "",
                Mapping.project(file),
                quantity,
                Mapping.text(line.getInvoicedQuantity(), q -> q.getUnitCode()),
                Mapping.price(line.getPrice(), amount, adjustment, quantity),
                Mapping.baseQuantity(line.getPrice()),
                adjustment,
                amount,
                taxes.ofLine(line.getItem(), line.getTaxTotal()));
    }
}
