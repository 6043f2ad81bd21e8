package alcabala.accounting.document;

import java.util.Optional;
import org.joda.money.Money;

/// Tax as the document states it for one combination, or for one tax of several that lines carry (EN 16931 BG-23).
///
/// @param taxable what it is computed on (BT-116), without tax; null when the document does not say
/// @param amount BT-117
public record TaxSubtotal(TaxCombination tax, Money taxable, Money amount) {
    public Optional<Money> findTaxable() {
        return Optional.ofNullable(taxable);
    }
}
