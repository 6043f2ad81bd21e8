package alcabala.accounting.custom;

import java.util.Optional;
import java.util.function.UnaryOperator;

/// How values of one type become values of another.
///
/// @param format in which the text on one of the two sides writes what the other keeps; null for the usual one
/// @param table the choice of the other side for a choice, or a text, of this one; empty for one that is not in it
public record Conversion(FieldType from, CustomField to, FieldFormat format, UnaryOperator<String> table) {
    /// What came out, or why nothing did.
    public sealed interface Result {
        record Converted(String value) implements Result {}

        /// The table says nothing of it.
        record NotInTable() implements Result {}

        record Impossible(Reason reason) implements Result {}
    }

    /// Why a value cannot be converted.
    public enum Reason {
        /// It is not written in the format that the row names.
        NOT_IN_FORMAT,
        /// It has more characters than the other field takes.
        TOO_LONG,
        /// The table names a choice that the other field does not have.
        CHOICE_GONE
    }

    /// Whether there is any way from the one to the other: a choice is only ever found through a table, a date is no
    /// number, and neither follows from a choice.
    public static boolean isPossible(FieldType from, FieldType to) {
        return switch (to) {
            case TEXT -> true;
            case CHOICE -> from == FieldType.CHOICE || from == FieldType.TEXT;
            case NUMBER, DATE -> from == to || from == FieldType.TEXT;
        };
    }

    /// Whether what is a value here has to be looked up.
    public static boolean needsTable(FieldType from, FieldType to) {
        return to == FieldType.CHOICE && isPossible(from, to);
    }

    /// The type whose values the text on the other side writes, where there is one.
    public static Optional<FieldType> formatted(FieldType from, FieldType to) {
        boolean written = to == FieldType.TEXT && (from == FieldType.NUMBER || from == FieldType.DATE);
        boolean read = from == FieldType.TEXT && (to == FieldType.NUMBER || to == FieldType.DATE);
        return written ? Optional.of(from) : read ? Optional.of(to) : Optional.empty();
    }

    /// @param value as [FieldType] tells, of the type that it comes from
    public Result convert(String value) {
        if (needsTable(from, to.type())) {
            return chosen(value);
        }
        Optional<FieldType> formatted = formatted(from, to.type());
        if (formatted.isEmpty()) {
            return fitting(value);
        }
        FieldFormat written = format == null ? FieldFormat.of(formatted.get()).getFirst() : format;
        return to.type() == FieldType.TEXT
                ? fitting(written.write(value))
                : written.read(value)
                        .<Result>map(Result.Converted::new)
                        .orElse(new Result.Impossible(Reason.NOT_IN_FORMAT));
    }

    private Result chosen(String value) {
        if (value.length() > FieldValue.LONGEST_CHOICE) {
            return new Result.Impossible(Reason.TOO_LONG);
        }
        String choice = table.apply(value);
        if (choice.isEmpty()) {
            return new Result.NotInTable();
        }
        return to.choices().containsKey(choice)
                ? new Result.Converted(choice)
                : new Result.Impossible(Reason.CHOICE_GONE);
    }

    private Result fitting(String value) {
        boolean tooLong =
                to.type() == FieldType.TEXT && to.limit() > 0 && value.codePointCount(0, value.length()) > to.limit();
        return tooLong ? new Result.Impossible(Reason.TOO_LONG) : new Result.Converted(value);
    }
}
