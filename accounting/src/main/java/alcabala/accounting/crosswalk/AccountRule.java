package alcabala.accounting.crosswalk;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;

/// One rule of the walk: what it looks up for a line. A further rule is one more entry in [AccountResolver].
record AccountRule(Step step, RowKind kind, Subject subject) {
    /// The code to look up; empty when the line has nothing for this rule.
    interface Subject {
        String of(Document document, DocumentLine line);
    }
}
