package alcabala.formats.ubl.writing;

import alcabala.accounting.posting.LedgerLine;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Map;
import org.joda.money.Money;

/// What lines of invoices and of credit notes share (BG-25).
///
/// @param quantity of the sign of the line: a price is never negative (BR-27)
/// @param price for one unit, without tax
/// @param adjustment what quantity by price leaves of the amount
record LineElements(Charged.Line line, BigDecimal quantity, BigDecimal price, Money adjustment) {
    /// What the ledger knows beside the line, by names of ours (BG-32).
    private static final String TAX_CODE = "tax code";
    private static final int PRICE_DECIMALS = 10;

    static LineElements of(Charged.Line line) {
        LedgerLine said = line.line();
        BigDecimal quantity = said.quantity();
        // Without tax where it was said with it; what is lost by its rounding is in the adjustment.
        BigDecimal price = said.amount().equals(line.net())
                ? said.price()
                : said.price()
                        .multiply(BigDecimal.valueOf(100))
                        .divide(
                                line.code().chargedRate().add(BigDecimal.valueOf(100)),
                                PRICE_DECIMALS,
                                RoundingMode.HALF_UP);
        if (price.signum() < 0) {
            quantity = quantity.negate();
            price = price.negate();
        }
        Money product = Money.of(line.net().getCurrencyUnit(), price.multiply(quantity), RoundingMode.HALF_UP);
        return new LineElements(line, quantity, price, line.net().minus(product));
    }

    /// @param name of the element
    /// @param quantified of its quantity
    void write(UblXml xml, String name, String quantified, int position, UblDocument document) {
        LedgerLine said = line.line();
        xml.group(name, element -> {
            element.text("ID", String.valueOf(position))
                    .quantity(quantified, quantity, document.unit(said.item()))
                    .amount("LineExtensionAmount", line.net())
                    .text("AccountingCost", said.account());
            allowanceOrCharge(element);
            element.group("Item", this::item);
            String currency = adjustment.getCurrencyUnit().getCode();
            element.group("Price", each -> each.amount("PriceAmount", price, currency));
        });
    }

    /// Charges are positive, allowances negative; none where quantity by price is the amount (BG-27, BG-28).
    private void allowanceOrCharge(UblXml xml) {
        if (!adjustment.isZero()) {
            boolean charge = adjustment.isPositive();
            xml.group(
                    "AllowanceCharge",
                    element -> element.text("ChargeIndicator", String.valueOf(charge))
                            .text("AllowanceChargeReason", charge ? "Charge" : "Allowance")
                            .amount("Amount", adjustment.abs()));
        }
    }

    private void item(UblXml xml) {
        LedgerLine said = line.line();
        xml.text("Name", said.description().isBlank() ? said.account() : said.description());
        String code = said.counterpart().isEmpty() ? said.item() : said.counterpart();
        if (!code.isEmpty()) {
            xml.group("SellersItemIdentification", identification -> identification.text("ID", code));
        }
        TaxElements.category(
                xml,
                "ClassifiedTaxCategory",
                line.code().category(),
                line.code().chargedRate(),
                "");
        property(xml, TAX_CODE, line.code().code());
        said.dimensions().entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .forEach(each -> property(xml, each.getKey(), each.getValue()));
    }

    private static void property(UblXml xml, String name, String value) {
        xml.group(
                "AdditionalItemProperty",
                property -> property.text("Name", name).text("Value", value));
    }
}
