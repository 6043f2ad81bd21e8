package alcabala.accounting.crosswalk;

import alcabala.accounting.crosswalk.WalkStep.Verdict;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/// The walk over the rules for one question. Who only wants the answer pays for no more; the steps are told when
/// somebody asks why. Walks with the same answer are equal.
public final class Walk {
    private final List<Rule> rules;
    private final Crosswalk crosswalk;
    private final Question question;
    private final WalkStep answered;

    private Walk(List<Rule> rules, Crosswalk crosswalk, Question question, WalkStep answered) {
        this.rules = rules;
        this.crosswalk = crosswalk;
        this.question = question;
        this.answered = answered;
    }

    /// Asks the most specific rule first, and stops at the first that answers.
    static Walk over(List<Rule> rules, Crosswalk crosswalk, Question question) {
        for (int i = 0; i < rules.size(); i++) {
            Rule rule = rules.get(i);
            // A name is made up for nothing where no line was ever overridden.
            String subject = crosswalk.has(rule.kind()) ? rule.subject().apply(question) : "";
            CrosswalkRow row = subject.isEmpty() ? null : crosswalk.row(rule.kind(), subject);
            String answer = row == null ? "" : question.answer(row);
            if (!answer.isEmpty()) {
                return new Walk(
                        rules, crosswalk, question, new WalkStep(rule.step(), Verdict.ANSWERED, subject, row, answer));
            }
        }
        return new Walk(rules, crosswalk, question, null);
    }

    /// Every step, and what it said.
    public List<WalkStep> steps() {
        List<WalkStep> steps = new ArrayList<>(rules.size());
        Verdict verdict = Verdict.NO_ROW;
        for (Rule rule : rules) {
            boolean answers = answered != null && answered.step() == rule.step();
            steps.add(answers ? answered : step(rule, verdict));
            verdict = answers ? Verdict.NOT_ASKED : verdict;
        }
        return steps;
    }

    /// A row that says nothing to the question is told too.
    private WalkStep step(Rule rule, Verdict verdict) {
        String subject = rule.subject().apply(question);
        CrosswalkRow row =
                subject.isEmpty() || verdict == Verdict.NOT_ASKED ? null : crosswalk.row(rule.kind(), subject);
        return new WalkStep(rule.step(), verdict, subject, row, "");
    }

    /// An account, or the value of a dimension; empty when no rule says.
    public String answer() {
        return answered == null ? "" : answered.answer();
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
