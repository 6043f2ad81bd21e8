package alcabala.accounting.document;

import org.joda.money.Money;

/// An allowance or charge on the whole document (EN 16931 BG-20, BG-21).
///
/// @param amount positive for both; in the document's price mode
/// @param tax [TaxCombination#NONE] on an allowance that does not say: it is then spread over all lines
public record AllowanceCharge(boolean isCharge, Money amount, String reason, TaxCombination tax) {}
