package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.Walk;
import alcabala.accounting.document.DocumentLine;
import java.util.Map;
import java.util.TreeMap;
import org.joda.money.Money;

/// A line with what was decided for it.
///
/// @param line as the source states it, less its share of the document's allowances
/// @param amount as it goes to the ledger, which is with tax where tax stays in the lines
/// @param walk to its account
/// @param taxCode the ledger's tax code, or empty when there is none
/// @param dimensions the walks to its values of the ledger's dimensions, by these; one that leads nowhere is sent
/// without
public record ResolvedLine(DocumentLine line, Money amount, Walk walk, String taxCode, Map<String, Walk> dimensions) {
    /// The account that the walk gives, or empty.
    public String account() {
        return walk.answer();
    }

    /// The ledger's values by its dimensions, of those that something says.
    public Map<String, String> dimensionValues() {
        if (dimensions.isEmpty()) {
            return Map.of();
        }
        Map<String, String> values = new TreeMap<>();
        dimensions.forEach((dimension, answer) -> {
            if (!answer.answer().isEmpty()) {
                values.put(dimension, answer.answer());
            }
        });
        return values;
    }

    /// Whether its source taxes it: an amount and a rate other than zero.
    boolean isTaxed() {
        return !line.amount().isZero() && line.tax().rate().signum() != 0;
    }

    ResolvedLine withAmount(Money other) {
        return new ResolvedLine(line, other, walk, taxCode, dimensions);
    }
}
