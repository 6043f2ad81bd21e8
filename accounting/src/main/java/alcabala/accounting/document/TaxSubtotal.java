package alcabala.accounting.document;

import org.joda.money.Money;

/// Tax as the document states it for one combination (EN 16931 BG-23).
public record TaxSubtotal(TaxCombination tax, Money taxable, Money amount) {}
