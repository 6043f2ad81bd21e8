package alcabala.formats.ubl;

import alcabala.accounting.document.AllowanceCharge;
import alcabala.accounting.document.StatedTotals;
import alcabala.accounting.money.StatedRate;
import alcabala.accounting.party.Party;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.AllowanceChargeType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.BillingReferenceType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.CustomerPartyType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.DeliveryType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.ExchangeRateType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.ItemType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.MonetaryTotalType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PaymentMeansType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PriceType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.SupplierPartyType;
import oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.NoteType;
import oasis.names.specification.ubl.schema.xsd.creditnote_21.CreditNoteType;
import oasis.names.specification.ubl.schema.xsd.invoice_21.InvoiceType;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// What invoices and credit notes share.
final class Mapping {
    private Mapping() {}

    static Amounts amounts(String documentCurrency, MonetaryTotalType totals) {
        String code = documentCurrency != null
                ? documentCurrency
                : Objects.requireNonNullElse(totals.getPayableAmount().getCurrencyID(), "");
        return Amounts.in(code);
    }

    /// A file need not state its totals with and without tax: they then follow from what is payable.
    static StatedTotals totals(MonetaryTotalType stated, Taxes taxes, Amounts amounts, List<AllowanceCharge> extras) {
        Money prepaid = amounts.of(stated.getPrepaidAmount());
        Money rounding = amounts.of(stated.getPayableRoundingAmount());
        Money payable = amounts.of(stated.getPayableAmount());
        Money gross =
                amounts.of(stated.getTaxInclusiveAmount(), payable.plus(prepaid).minus(rounding));
        Money tax = taxes.total();
        Money net = amounts.of(stated.getTaxExclusiveAmount(), gross.minus(tax));
        return new StatedTotals(
                amounts.of(stated.getLineExtensionAmount(), net),
                amounts.of(stated.getAllowanceTotalAmount(), sum(extras, false, amounts)),
                amounts.of(stated.getChargeTotalAmount(), sum(extras, true, amounts)),
                net,
                tax,
                gross,
                prepaid,
                rounding,
                payable);
    }

    private static Money sum(List<AllowanceCharge> extras, boolean charges, Amounts amounts) {
        return extras.stream()
                .filter(each -> each.isCharge() == charges)
                .map(AllowanceCharge::amount)
                .reduce(amounts.zero(), Money::plus);
    }

    static List<AllowanceCharge> allowancesAndCharges(List<AllowanceChargeType> stated, Taxes taxes, Amounts amounts) {
        return stated.stream()
                .map(each -> new AllowanceCharge(
                        each.getChargeIndicator().isValue(),
                        amounts.of(each.getAmount()),
                        each.getAllowanceChargeReason().isEmpty()
                                ? ""
                                : Parties.text(each.getAllowanceChargeReason()
                                        .getFirst()
                                        .getValue()),
                        taxes.ofCategories(each.getTaxCategory())))
                .toList();
    }

    /// Charges less allowances.
    static Money adjustment(List<AllowanceChargeType> stated, Amounts amounts) {
        Money sum = amounts.zero();
        for (AllowanceChargeType each : stated) {
            Money amount = amounts.of(each.getAmount());
            sum = each.getChargeIndicator().isValue() ? sum.plus(amount) : sum.minus(amount);
        }
        return sum;
    }

    /// The seller's identifier of the item (BT-155), else the standard one (BT-157).
    static String item(ItemType item) {
        if (item == null) {
            return "";
        }
        if (item.getSellersItemIdentification() != null) {
            return Parties.text(item.getSellersItemIdentification().getIDValue());
        }
        return item.getStandardItemIdentification() == null
                ? ""
                : Parties.text(item.getStandardItemIdentification().getIDValue());
    }

    static String description(ItemType item) {
        if (item == null) {
            return "";
        }
        String name = Parties.text(item.getNameValue());
        return name.isEmpty() && !item.getDescription().isEmpty()
                ? Parties.text(item.getDescription().getFirst().getValue())
                : name;
    }

    /// A line without a price states its amount alone: the price is then the amount over the quantity.
    static BigDecimal price(PriceType price, Money amount, Money adjustment, BigDecimal quantity) {
        if (price != null) {
            return Amounts.within("a price", price.getPriceAmountValue());
        }
        BigDecimal whole = amount.minus(adjustment).getAmount();
        return quantity.signum() == 0 ? whole : whole.divide(quantity, java.math.MathContext.DECIMAL64);
    }

    static BigDecimal baseQuantity(PriceType price) {
        return quantity(price == null ? null : price.getBaseQuantityValue());
    }

    /// One where none is stated.
    static BigDecimal quantity(BigDecimal stated) {
        return stated == null ? BigDecimal.ONE : Amounts.within("a quantity", stated);
    }

    static LocalDate dueDate(LocalDate stated, List<PaymentMeansType> means) {
        if (stated != null) {
            return stated;
        }
        return means.stream()
                .map(PaymentMeansType::getPaymentDueDateValueLocal)
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
    }

    static Party party(SupplierPartyType supplier, List<DeliveryType> deliveries) {
        return Parties.of(supplier == null ? null : supplier.getParty(), deliveries);
    }

    static Party party(CustomerPartyType customer, List<DeliveryType> deliveries) {
        return Parties.of(customer == null ? null : customer.getParty(), deliveries);
    }

    /// The invoice a credit note belongs to (BT-25).
    static String precedingNumber(List<BillingReferenceType> references) {
        return references.stream()
                .map(BillingReferenceType::getInvoiceDocumentReference)
                .filter(Objects::nonNull)
                .map(reference -> Parties.text(reference.getIDValue()))
                .findFirst()
                .orElse("");
    }

    /// When goods or work were delivered (BT-72), or null.
    static LocalDate deliveryDate(List<DeliveryType> deliveries) {
        return deliveries.stream()
                .map(DeliveryType::getActualDeliveryDateValueLocal)
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
    }

    static String note(List<NoteType> notes) {
        return notes.stream().map(note -> Parties.text(note.getValue())).collect(Collectors.joining("\n"));
    }

    /// The project reference (BT-11).
    static String project(InvoiceType file) {
        return file.getProjectReference().stream()
                .findFirst()
                .map(project -> Parties.text(project.getIDValue()))
                .orElse("");
    }

    /// A credit note has no place of its own for it: a further document of type 50 (UNCL1001) is the project (BT-11).
    static String project(CreditNoteType file) {
        return file.getAdditionalDocumentReference().stream()
                .filter(reference -> "50".equals(reference.getDocumentTypeCodeValue()))
                .findFirst()
                .map(reference -> Parties.text(reference.getIDValue()))
                .orElse("");
    }

    /// The rate that the file states from its own currency to another; null when it states none.
    static StatedRate rate(ExchangeRateType rate, CurrencyUnit from) {
        if (rate == null
                || rate.getCalculationRateValue() == null
                || rate.getCalculationRateValue().signum() <= 0
                || !from.getCode().equals(rate.getSourceCurrencyCodeValue())) {
            return null;
        }
        return CurrencyUnit.registeredCurrencies().stream()
                .filter(to -> to.getCode().equals(rate.getTargetCurrencyCodeValue()))
                .findFirst()
                .map(to -> new StatedRate(to, rate.getCalculationRateValue(), rate.getDateValueLocal()))
                .orElse(null);
    }

    static <T> String text(T holder, Function<T, String> getter) {
        return holder == null ? "" : Parties.text(getter.apply(holder));
    }
}
