package alcabala.accounting.posting;

import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Severity;
import java.util.List;
import java.util.Optional;

/// What compiling gave: findings, and when none of them blocks, the ledger document and its journal.
///
/// @param lines what was decided for each line, also when something blocks
public record Compilation(
        List<Finding> findings,
        List<ResolvedLine> lines,
        Optional<TaxComparison> tax,
        Optional<LedgerDocument> ledgerDocument,
        Optional<Journal> journal) {

    public boolean isBlocked() {
        return findings.stream().anyMatch(f -> f.severity() == Severity.BLOCKS);
    }
}
