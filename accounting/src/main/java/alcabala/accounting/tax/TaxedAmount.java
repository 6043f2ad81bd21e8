package alcabala.accounting.tax;

import java.math.BigDecimal;
import org.joda.money.Money;

/// An amount under one tax code.
///
/// @param code groups amounts that are taxed together, as far as their rate is the same
/// @param rate in percent, trailing zeros stripped
/// @param amount without tax, or with it when the document's prices include tax
public record TaxedAmount(String code, BigDecimal rate, Money amount) {}
