package alcabala.accounting.tax;

import java.math.BigDecimal;
import org.joda.money.Money;

/// The tax of all amounts under one code.
///
/// @param net without tax
public record TaxBreakdown(String code, BigDecimal rate, Money net, Money tax) {}
