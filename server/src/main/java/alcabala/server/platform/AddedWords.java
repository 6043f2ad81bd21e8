package alcabala.server.platform;

import alcabala.accounting.custom.Conversion;
import alcabala.accounting.custom.CustomField;
import alcabala.accounting.custom.Direction;
import alcabala.accounting.custom.FieldType;
import alcabala.accounting.terms.PaymentTerms;
import java.util.ArrayList;
import java.util.List;

/// How terms of payment, and fields that a business added, are said.
public final class AddedWords {
    private AddedWords() {}

    /// `30 days, then to the end of the month; 3 % within 10 days`.
    public static String terms(PaymentTerms terms) {
        List<String> steps = new ArrayList<>();
        if (terms.days() > 0) {
            steps.add(many(terms.days(), "day"));
        }
        if (terms.endOfMonth()) {
            steps.add("to the end of the month");
        }
        if (terms.months() > 0) {
            steps.add(many(terms.months(), "month"));
        }
        if (terms.dayOfMonth() > 0) {
            steps.add("to day " + terms.dayOfMonth() + " of the month");
        }
        if (terms.daysAfter() > 0) {
            steps.add(many(terms.daysAfter(), "day"));
        }
        String due = steps.isEmpty() ? "at once" : String.join(", then ", steps);
        return terms.discount().signum() == 0
                ? due
                : "%s; %s %% within %s"
                        .formatted(due, terms.discount().toPlainString(), many(terms.discountDays(), "day"));
    }

    private static String many(int count, String what) {
        return count == 1 ? "1 " + what : count + " " + what + "s";
    }

    /// `text`, `text of at most 12`, `choice of 3`.
    public static String type(CustomField field) {
        if (field.type() == FieldType.CHOICE) {
            return "choice of " + field.choices().size();
        }
        return field.type() == FieldType.TEXT && field.limit() > 0
                ? "text of at most " + field.limit()
                : Sentences.word(field.type());
    }

    /// Which way values go, as it is chosen.
    public static String direction(Direction direction) {
        return direction == Direction.TO_LEDGER ? "to the ledger" : "back to the source";
    }

    /// Why a value is none of the other side's, without a full stop.
    public static String reason(Conversion.Reason reason) {
        return switch (reason) {
            case NOT_IN_FORMAT -> "it is not written as was said";
            case TOO_LONG -> "it is longer than that takes";
            case CHOICE_GONE -> "the choice that stands for it is not there any more";
        };
    }
}
