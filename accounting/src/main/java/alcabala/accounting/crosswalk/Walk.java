package alcabala.accounting.crosswalk;

import alcabala.accounting.crosswalk.WalkStep.Verdict;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/// The walk over the account rules for one line. Who only wants the answer pays for no more; the steps are told when
/// somebody asks why. Walks with the same answer are equal.
public final class Walk {
    private final List<AccountRule> rules;
    private final Crosswalk crosswalk;
    private final Document document;
    private final DocumentLine line;
    private final WalkStep answered;

    private Walk(
            List<AccountRule> rules, Crosswalk crosswalk, Document document, DocumentLine line, WalkStep answered) {
        this.rules = rules;
        this.crosswalk = crosswalk;
        this.document = document;
        this.line = line;
        this.answered = answered;
    }

    /// Asks the most specific rule first, and stops at the first that answers.
    static Walk over(List<AccountRule> rules, Crosswalk crosswalk, Document document, DocumentLine line) {
        for (AccountRule rule : rules) {
            // A name is made up for nothing where no line was ever overridden.
            String subject = crosswalk.has(rule.kind()) ? rule.subject().of(document, line) : "";
            CrosswalkRow row = subject.isEmpty()
                    ? null
                    : crosswalk.find(rule.kind(), subject).orElse(null);
            if (row != null && !row.account().isEmpty()) {
                return new Walk(
                        rules, crosswalk, document, line, new WalkStep(rule.step(), Verdict.ANSWERED, subject, row));
            }
        }
        return new Walk(rules, crosswalk, document, line, null);
    }

    /// Every step, and what it said.
    public List<WalkStep> steps() {
        List<WalkStep> steps = new ArrayList<>(rules.size());
        Verdict verdict = Verdict.NO_ROW;
        for (AccountRule rule : rules) {
            boolean answers = answered != null && answered.step() == rule.step();
            steps.add(answers ? answered : step(rule, verdict));
            verdict = answers ? Verdict.NOT_ASKED : verdict;
        }
        return steps;
    }

    /// A row that says nothing of the account is told too.
    private WalkStep step(AccountRule rule, Verdict verdict) {
        String subject = rule.subject().of(document, line);
        CrosswalkRow row = subject.isEmpty() || verdict == Verdict.NOT_ASKED
                ? null
                : crosswalk.find(rule.kind(), subject).orElse(null);
        return new WalkStep(rule.step(), verdict, subject, row);
    }

    public Optional<CrosswalkRow> findAnswer() {
        return findAnswered().map(WalkStep::row);
    }

    /// The step that answered.
    public Optional<WalkStep> findAnswered() {
        return Optional.ofNullable(answered);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Walk walk && Objects.equals(answered, walk.answered);
    }

    @Override
    public int hashCode() {
        return Objects.hashCode(answered);
    }
}
