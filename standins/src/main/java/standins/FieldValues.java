package standins;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Collection;

/// What a field that a business added takes, in either program.
public final class FieldValues {
    private static final int MOST_DIGITS = 19;

    private FieldValues() {}

    /// @param type `text`, `number`, `date` or `choice`
    /// @param maxLength of a text; 0 for any
    /// @param choices their codes
    public static boolean fits(String type, String value, int maxLength, Collection<String> choices) {
        return switch (type) {
            case "number" -> isNumber(value);
            case "date" -> isDate(value);
            case "choice" -> choices.contains(value);
            default -> maxLength == 0 || value.length() <= maxLength;
        };
    }

    private static boolean isNumber(String value) {
        try {
            return new BigDecimal(value).precision() <= MOST_DIGITS;
        } catch (NumberFormatException e) {
            return false;
        }
    }

    private static boolean isDate(String value) {
        try {
            return LocalDate.parse(value).getYear() > 1900;
        } catch (DateTimeParseException e) {
            return false;
        }
    }
}
