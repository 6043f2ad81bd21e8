package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.Document;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.terms.CodedTerms;
import java.time.LocalDate;
import java.util.function.Consumer;

/// The ledger's terms of payment for a document. The due date that it states is sent in any case, so that terms which
/// nobody mapped keep nothing from crossing.
record Terms(Document document, Crosswalk crosswalk, LedgerProfile ledger, Consumer<Finding> findings) {
    /// The ledger's code, or empty.
    String code() {
        String code = crosswalk.counterpart(RowKind.TERMS, document.terms());
        if (!code.isEmpty()) {
            check(code);
        }
        return code;
    }

    private void check(String code) {
        CodedTerms there = ledger.terms().get(code);
        if (there == null || !there.active()) {
            findings.accept(new Finding.TermsUnusable(document.terms(), code));
            return;
        }
        LocalDate computed = there.rule().due(document.issueDate());
        if (document.dueDate() != null && !document.dueDate().equals(computed)) {
            findings.accept(new Finding.TermsDiffer(document.terms(), code, document.dueDate(), computed));
        }
    }
}
