package standins.hullwork;

import java.util.List;
import standins.FieldValues;

/// A field that the yard added to its documents.
///
/// @param type `text`, `number`, `date` or `choice`
/// @param maxLength of a text
public record HullworkField(String code, String text, String type, int maxLength, List<Option> options) {
    public record Option(String code, String text) {}

    /// Nothing fits always.
    boolean takes(String value) {
        List<String> codes = options.stream().map(Option::code).toList();
        return value.isEmpty() || FieldValues.fits(type, value, maxLength, codes);
    }
}
