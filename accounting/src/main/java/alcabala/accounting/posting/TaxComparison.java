package alcabala.accounting.posting;

import alcabala.accounting.tax.TaxComputation;
import java.util.List;
import org.joda.money.Money;

/// Tax computed both ways.
///
/// @param decidedThere whether the ledger decides itself what is taxed, so that nothing is computed beforehand
/// @param stated what the source document says
/// @param source recomputed by the source's own method
/// @param ledger as the ledger will compute it; where it decides tax itself, what the document states
/// @param selfAssessed what the ledger books on both sides without charging it
/// @param rounding what the rounding line adds so that the customer owes what the source document says; zero when they
/// agree, and where prices include tax, since the gross then agrees by construction
public record TaxComparison(
        boolean decidedThere,
        Money stated,
        TaxComputation source,
        TaxComputation ledger,
        List<SelfAssessed> selfAssessed,
        Money rounding) {
    /// How much the tax of the ledger is more than what the source document says; negative when it is less.
    public Money gap() {
        return ledger.tax().minus(stated);
    }
}
