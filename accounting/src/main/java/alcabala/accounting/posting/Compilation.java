package alcabala.accounting.posting;

import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Severity;
import java.util.List;
import java.util.Optional;

/// What compiling gave: findings, and when none of them blocks, the entry and its journal.
///
/// @param lines what was decided for each line, also when something blocks
public record Compilation(
        List<Finding> findings,
        List<ResolvedLine> lines,
        Optional<TaxComparison> tax,
        Optional<LedgerEntry> entry,
        Optional<Journal> journal) {

    /// The entry, of a document.
    public Optional<LedgerDocument> ledgerDocument() {
        return entry.filter(LedgerDocument.class::isInstance).map(LedgerDocument.class::cast);
    }

    /// Whether lines of the ledger stand for several of the source.
    public boolean isSummed() {
        return tax.filter(taxes -> taxes.ledger().lineNets().size() != lines.size())
                .isPresent();
    }

    public boolean isBlocked() {
        return findings.stream().anyMatch(f -> f.severity() == Severity.BLOCKS);
    }
}
