package alcabala.formats.ubl.writing;

import alcabala.accounting.document.TaxCategory;
import java.math.BigDecimal;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.MonetaryTotalType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.TaxCategoryType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.TaxSubtotalType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.TaxTotalType;
import oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.LineExtensionAmountType;
import oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.PayableAmountType;
import oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.PayableRoundingAmountType;
import oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.TaxAmountType;
import oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.TaxExclusiveAmountType;
import oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.TaxExemptionReasonType;
import oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.TaxInclusiveAmountType;
import oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.TaxableAmountType;
import org.joda.money.Money;

/// The breakdown of tax (BG-23) and the totals (BG-22).
final class TaxElements {
    private TaxElements() {}

    static TaxTotalType total(Charged charged) {
        TaxTotalType total = new TaxTotalType();
        total.setTaxAmount(Amount.of(charged.tax(), new TaxAmountType()));
        charged.groups().forEach(group -> total.addTaxSubtotal(subtotal(group)));
        return total;
    }

    private static TaxSubtotalType subtotal(Charged.Group group) {
        TaxSubtotalType subtotal = new TaxSubtotalType();
        subtotal.setTaxableAmount(Amount.of(group.taxable(), new TaxableAmountType()));
        subtotal.setTaxAmount(Amount.of(group.tax(), new TaxAmountType()));
        TaxCategoryType category = category(group.category(), group.rate());
        if (needsReason(group.category())) {
            category.addTaxExemptionReason(new TaxExemptionReasonType(group.reason()));
        }
        subtotal.setTaxCategory(category);
        return subtotal;
    }

    /// Why nothing is charged is said of all but what is taxed or zero rated (BR-E-10 and its sisters).
    private static boolean needsReason(TaxCategory category) {
        return category.chargesNothing() && category != TaxCategory.Z;
    }

    /// What is not subject to tax has no rate (BR-O-5).
    static TaxCategoryType category(TaxCategory category, BigDecimal rate) {
        TaxCategoryType element = new TaxCategoryType();
        element.setID(category.name());
        if (category != TaxCategory.O) {
            element.setPercent(rate);
        }
        element.setTaxScheme(PartyElements.vat());
        return element;
    }

    static MonetaryTotalType totals(Charged charged, Money payable) {
        MonetaryTotalType totals = new MonetaryTotalType();
        totals.setLineExtensionAmount(Amount.of(charged.net(), new LineExtensionAmountType()));
        totals.setTaxExclusiveAmount(Amount.of(charged.net(), new TaxExclusiveAmountType()));
        totals.setTaxInclusiveAmount(Amount.of(charged.net().plus(charged.tax()), new TaxInclusiveAmountType()));
        if (!charged.rounding().isZero()) {
            totals.setPayableRoundingAmount(Amount.of(charged.rounding(), new PayableRoundingAmountType()));
        }
        totals.setPayableAmount(Amount.of(payable, new PayableAmountType()));
        return totals;
    }
}
