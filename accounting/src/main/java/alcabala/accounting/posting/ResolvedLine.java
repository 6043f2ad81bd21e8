package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.Walk;
import alcabala.accounting.document.DocumentLine;
import org.joda.money.Money;

/// A line with what was decided for it.
///
/// @param line as the source states it, less its share of the document's allowances
/// @param amount as it goes to the ledger, which is with tax where tax stays in the lines
/// @param taxCode the ledger's tax code, or empty when there is none
public record ResolvedLine(DocumentLine line, Money amount, Walk walk, String taxCode) {
    /// The account that the walk gives, or empty.
    public String account() {
        return walk.findAnswer().map(row -> row.account()).orElse("");
    }

    /// Whether its source taxes it: an amount and a rate other than zero.
    boolean isTaxed() {
        return !line.amount().isZero() && line.tax().rate().signum() != 0;
    }

    ResolvedLine withAmount(Money other) {
        return new ResolvedLine(line, other, walk, taxCode);
    }
}
