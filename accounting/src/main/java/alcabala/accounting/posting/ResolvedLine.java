package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.Walk;
import alcabala.accounting.document.DocumentLine;
import org.joda.money.Money;

/// A line with what was decided for it.
///
/// @param line as the source states it
/// @param amount after its share of the document's allowances
/// @param taxCode the ledger's tax code, or empty when there is none
public record ResolvedLine(DocumentLine line, Money amount, Walk walk, String taxCode) {
    /// The account that the walk gives, or empty.
    public String account() {
        return walk.findAnswer().map(row -> row.account()).orElse("");
    }
}
