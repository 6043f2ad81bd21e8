package alcabala.accounting.readiness;

import java.util.List;
import org.joda.money.Money;

/// What one check found.
///
/// @param subjects what it is about: role names, tax codes, document numbers; their shape follows from the check
/// @param proposal what would do instead, such as a free number; empty when there is nothing to propose
/// @param documents how many documents that have not crossed are concerned
/// @param amount their gross, credit notes negative
public record Result(
        Check check, Verdict verdict, List<String> subjects, String proposal, int documents, Money amount) {
    Result(Check check, Verdict verdict, List<String> subjects, int documents, Money amount) {
        this(check, verdict, subjects, "", documents, amount);
    }

    Result proposing(String instead) {
        return new Result(check, verdict, subjects, instead, documents, amount);
    }

    /// How bad it is.
    public enum Verdict {
        PASSES,
        WARNS,
        BLOCKS
    }

    public Result {
        subjects = List.copyOf(subjects);
    }
}
