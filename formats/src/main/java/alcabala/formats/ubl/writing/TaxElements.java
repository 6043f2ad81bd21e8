package alcabala.formats.ubl.writing;

import alcabala.accounting.document.TaxCategory;
import java.math.BigDecimal;
import org.joda.money.Money;

/// The breakdown of tax (BG-23) and the totals (BG-22).
final class TaxElements {
    private TaxElements() {}

    static void total(UblXml xml, Charged charged) {
        xml.group("TaxTotal", total -> {
            total.amount("TaxAmount", charged.tax());
            charged.groups().forEach(group -> subtotal(total, group));
        });
    }

    private static void subtotal(UblXml xml, Charged.Group group) {
        xml.group("TaxSubtotal", subtotal -> {
            subtotal.amount("TaxableAmount", group.taxable()).amount("TaxAmount", group.tax());
            String reason = needsReason(group.category()) ? group.reason() : "";
            category(subtotal, "TaxCategory", group.category(), group.rate(), reason);
        });
    }

    /// Why nothing is charged is said of all but what is taxed or zero rated (BR-E-10 and its sisters).
    private static boolean needsReason(TaxCategory category) {
        return category.chargesNothing() && category != TaxCategory.Z;
    }

    /// What is not subject to tax has no rate (BR-O-5).
    ///
    /// @param reason why nothing is charged; empty where that is not said
    static void category(UblXml xml, String name, TaxCategory category, BigDecimal rate, String reason) {
        xml.group(name, element -> {
            element.text("ID", category.name());
            if (category != TaxCategory.O) {
                element.number("Percent", rate);
            }
            element.text("TaxExemptionReason", reason);
            vat(element);
        });
    }

    static void vat(UblXml xml) {
        xml.group("TaxScheme", scheme -> scheme.text("ID", "VAT"));
    }

    static void totals(UblXml xml, Charged charged, Money payable) {
        xml.group("LegalMonetaryTotal", totals -> {
            totals.amount("LineExtensionAmount", charged.net())
                    .amount("TaxExclusiveAmount", charged.net())
                    .amount("TaxInclusiveAmount", charged.net().plus(charged.tax()));
            if (!charged.rounding().isZero()) {
                totals.amount("PayableRoundingAmount", charged.rounding());
            }
            totals.amount("PayableAmount", payable);
        });
    }
}
