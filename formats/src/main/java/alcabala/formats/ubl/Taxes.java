package alcabala.formats.ubl;

import alcabala.accounting.document.Tax;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.document.TaxSubtotal;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.ItemType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.TaxCategoryType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.TaxTotalType;
import org.joda.money.Money;

/// Tax categories of a file. A file has no tax codes, so the category letter with the rate serves as one: `S23`.
final class Taxes {
    private final List<TaxTotalType> totals;
    private final Amounts amounts;

    /// @param totals of the document; those in another currency, such as the seller's (BT-111), are left out
    Taxes(List<TaxTotalType> totals, Amounts amounts) {
        this.totals = totals.stream()
                .filter(total -> amounts.isOwn(total.getTaxAmount()))
                .toList();
        this.amounts = amounts;
    }

    Money total() {
        Money sum = amounts.zero();
        for (TaxTotalType total : totals) {
            sum = sum.plus(amounts.of(total.getTaxAmount()));
        }
        return sum;
    }

    List<TaxSubtotal> subtotals() {
        List<TaxSubtotal> subtotals = new ArrayList<>();
        for (TaxTotalType total : totals) {
            for (var each : total.getTaxSubtotal()) {
                BigDecimal percent = each.getPercentValue();
                subtotals.add(new TaxSubtotal(
                        TaxCombination.of(tax(each.getTaxCategory(), percent)),
                        amounts.of(each.getTaxableAmount(), null),
                        amounts.of(each.getTaxAmount())));
            }
        }
        return subtotals;
    }

    /// The line's own categories; a line that has none takes the document's when there is only one.
    TaxCombination ofLine(ItemType item, List<TaxTotalType> lineTotals) {
        List<Tax> own = item == null
                ? List.of()
                : item.getClassifiedTaxCategory().stream()
                        .map(c -> tax(c, null))
                        .toList();
        if (own.isEmpty()) {
            own = lineTotals.stream()
                    .flatMap(total -> total.getTaxSubtotal().stream())
                    .map(each -> tax(each.getTaxCategory(), each.getPercentValue()))
                    .distinct()
                    .toList();
        }
        return own.isEmpty() ? onlyOne() : TaxCombination.of(own);
    }

    TaxCombination ofCategories(List<TaxCategoryType> categories) {
        return TaxCombination.of(categories.stream().map(c -> tax(c, null)).toList());
    }

    private TaxCombination onlyOne() {
        List<TaxCombination> all =
                subtotals().stream().map(TaxSubtotal::tax).distinct().toList();
        return all.size() == 1 ? all.getFirst() : TaxCombination.NONE;
    }

    private static Tax tax(TaxCategoryType category, BigDecimal percentBeside) {
        BigDecimal percent = category.getPercentValue() != null
                ? category.getPercentValue()
                : Objects.requireNonNullElse(percentBeside, BigDecimal.ZERO);
        Amounts.within("a rate of tax", percent);
        TaxCategory letter = letter(Parties.text(category.getIDValue()), percent);
        String scheme = category.getTaxScheme() == null
                ? ""
                : Parties.text(category.getTaxScheme().getIDValue());
        String rate = percent.signum() == 0 ? "0" : percent.stripTrailingZeros().toPlainString();
        String prefix = scheme.isEmpty() || scheme.equalsIgnoreCase("VAT") ? "" : scheme + ":";
        return new Tax(prefix + letter + rate, percent, letter, false);
    }

    /// Older files use words of their own: a taxed line is then standard, an untaxed one zero-rated.
    private static TaxCategory letter(String id, BigDecimal percent) {
        for (TaxCategory category : TaxCategory.values()) {
            if (category.name().equals(id)) {
                return category;
            }
        }
        return percent.signum() == 0 ? TaxCategory.Z : TaxCategory.S;
    }
}
