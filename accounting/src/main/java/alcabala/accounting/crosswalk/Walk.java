package alcabala.accounting.crosswalk;

import java.util.List;
import java.util.Optional;

/// The whole walk over the account rules for one line: every step, and what it said.
public record Walk(List<WalkStep> steps) {
    public Optional<CrosswalkRow> findAnswer() {
        return findAnswered().map(WalkStep::row);
    }

    /// The step that answered.
    public Optional<WalkStep> findAnswered() {
        for (WalkStep step : steps) {
            if (step.verdict() == WalkStep.Verdict.ANSWERED) {
                return Optional.of(step);
            }
        }
        return Optional.empty();
    }
}
