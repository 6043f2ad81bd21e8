package alcabala.accounting.crosswalk;

/// What one rule said.
///
/// @param subject what was looked up, such as the item's code; empty when the line has none
/// @param row the row that was found, or null
/// @param answer what it said: an account, or the value of a dimension; empty when it did not answer
public record WalkStep(Step step, Verdict verdict, String subject, CrosswalkRow row, String answer) {
    /// How a rule took part in the walk.
    public enum Verdict {
        ANSWERED,
        NO_ROW,
        NOT_ASKED
    }
}
