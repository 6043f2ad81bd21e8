package alcabala.accounting.posting;

import alcabala.accounting.tax.TaxComputation;
import org.joda.money.Money;

/// Tax computed both ways.
///
/// @param stated what the source document says
/// @param source recomputed by the source's own method
/// @param ledger as the ledger will compute it
/// @param rounding what the rounding line adds so that the customer owes what the source document says; zero when they
/// agree
public record TaxComparison(Money stated, TaxComputation source, TaxComputation ledger, Money rounding) {}
