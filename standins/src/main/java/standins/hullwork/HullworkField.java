package standins.hullwork;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.List;

/// A field that the yard added to its documents.
///
/// @param type `text`, `number`, `date` or `choice`
/// @param maxLength of a text
public record HullworkField(String code, String text, String type, int maxLength, List<Option> options) {
    public record Option(String code, String text) {}

    /// Nothing fits always.
    boolean takes(String value) {
        return value.isEmpty()
                || switch (type) {
                    case "number" -> isNumber(value);
                    case "date" -> isDate(value);
                    case "choice" ->
                        options.stream().anyMatch(option -> option.code().equals(value));
                    default -> value.length() <= maxLength;
                };
    }

    private static boolean isNumber(String value) {
        try {
            return new BigDecimal(value).precision() < 20;
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
