package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.Resolver;
import alcabala.accounting.crosswalk.Walk;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.ledger.LedgerDimension;
import alcabala.accounting.ledger.LedgerProfile;
import java.util.Collection;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Consumer;

/// The values that the lines of one document have of the ledger's dimensions, by the same walk as their accounts. A
/// line of which nothing is said goes without.
final class Dimensions {
    private final Collection<LedgerDimension> dimensions;
    private final Resolver resolver;
    private final Consumer<Finding> findings;

    Dimensions(Document document, String key, Crosswalk crosswalk, LedgerProfile ledger, Consumer<Finding> findings) {
        dimensions = ledger.dimensions().values();
        resolver = new Resolver(crosswalk, document, key);
        this.findings = findings;
    }

    /// By the ledger's codes of its dimensions; a finding where a value cannot be used.
    Map<String, Walk> ofLine(DocumentLine line) {
        if (dimensions.isEmpty()) {
            return Map.of();
        }
        Map<String, Walk> walks = new TreeMap<>();
        for (LedgerDimension dimension : dimensions) {
            Walk walk = resolver.dimension(line, dimension.code());
            if (!walk.answer().isEmpty() && !dimension.values().contains(walk.answer())) {
                findings.accept(new Finding.DimensionUnusable(dimension.code(), dimension.name(), walk.answer()));
            }
            walks.put(dimension.code(), walk);
        }
        return walks;
    }
}
