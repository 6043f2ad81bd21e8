package alcabala.accounting.custom;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/// A field that one side has beside those that everybody has.
///
/// @param limit how many characters a text may have; 0 for any number
/// @param choices names by codes, in their order; empty but for a choice
public record CustomField(
        String code, String name, FieldType type, int limit, Map<String, String> choices, boolean active) {
    public CustomField {
        choices = Collections.unmodifiableMap(new LinkedHashMap<>(choices));
    }
}
