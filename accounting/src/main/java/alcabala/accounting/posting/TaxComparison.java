package alcabala.accounting.posting;

import alcabala.accounting.tax.TaxComputation;
import java.util.List;
import org.joda.money.Money;

/// Tax computed both ways.
///
/// @param stated what the source document says
/// @param source recomputed by the source's own method
/// @param ledger as the ledger will compute it
/// @param selfAssessed what the ledger books on both sides without charging it
/// @param rounding what the rounding line adds so that the customer owes what the source document says; zero when they
/// agree, and where prices include tax, since the gross then agrees by construction
public record TaxComparison(
        Money stated, TaxComputation source, TaxComputation ledger, List<SelfAssessed> selfAssessed, Money rounding) {
    /// How much the tax of the ledger is more than what the source document says; negative when it is less.
    public Money gap() {
        return ledger.tax().minus(stated);
    }
}
