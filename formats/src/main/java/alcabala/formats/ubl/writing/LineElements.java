package alcabala.formats.ubl.writing;

import alcabala.accounting.posting.LedgerLine;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Map;
import java.util.Optional;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.AllowanceChargeType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.ItemIdentificationType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.ItemPropertyType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.ItemType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PriceType;
import oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.AllowanceChargeReasonType;
import oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.AmountType;
import oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.PriceAmountType;
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

    /// Charges are positive, allowances negative; none where quantity by price is the amount (BG-27, BG-28).
    Optional<AllowanceChargeType> allowanceOrCharge() {
        if (adjustment.isZero()) {
            return Optional.empty();
        }
        AllowanceChargeType element = new AllowanceChargeType();
        element.setChargeIndicator(adjustment.isPositive());
        element.addAllowanceChargeReason(
                new AllowanceChargeReasonType(adjustment.isPositive() ? "Charge" : "Allowance"));
        element.setAmount(Amount.of(adjustment.abs(), new AmountType()));
        return Optional.of(element);
    }

    ItemType item() {
        LedgerLine said = line.line();
        ItemType item = new ItemType();
        item.setName(Text.of(said.description().isBlank() ? said.account() : said.description()));
        String code = said.counterpart().isEmpty() ? said.item() : said.counterpart();
        if (!code.isEmpty()) {
            ItemIdentificationType identification = new ItemIdentificationType();
            identification.setID(Text.of(code));
            item.setSellersItemIdentification(identification);
        }
        item.addClassifiedTaxCategory(
                TaxElements.category(line.code().category(), line.code().chargedRate()));
        item.addAdditionalItemProperty(property(TAX_CODE, line.code().code()));
        said.dimensions().entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .forEach(each -> item.addAdditionalItemProperty(property(each.getKey(), each.getValue())));
        return item;
    }

    PriceType priceElement() {
        PriceAmountType amount = new PriceAmountType();
        amount.setValue(price);
        amount.setCurrencyID(adjustment.getCurrencyUnit().getCode());
        PriceType element = new PriceType();
        element.setPriceAmount(amount);
        return element;
    }

    private static ItemPropertyType property(String name, String value) {
        ItemPropertyType property = new ItemPropertyType();
        property.setName(Text.of(name));
        property.setValue(Text.of(value));
        return property;
    }
}
