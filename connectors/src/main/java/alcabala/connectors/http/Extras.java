package alcabala.connectors.http;

import alcabala.accounting.custom.CustomField;
import alcabala.accounting.custom.FieldType;
import alcabala.accounting.terms.PaymentTerms;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/// Reads terms of payment and fields of a business's own, which outside systems tell alike but for a few words. What is
/// not as told throws, and is said or set aside by [Understood].
public final class Extras {
    private Extras() {}

    /// @throws IllegalArgumentException when a figure is out of its bounds
    public static PaymentTerms terms(JsonNode node) {
        BigDecimal discount =
                node.path("discount").isNumber() ? node.path("discount").asDecimal() : BigDecimal.ZERO;
        return new PaymentTerms(
                node.path("days").asInt(),
                node.path("endOfMonth").asBoolean(),
                node.path("months").asInt(),
                node.path("dayOfMonth").asInt(),
                node.path("daysAfter").asInt(),
                discount,
                node.path("discountDays").asInt());
    }

    /// @param name by which the other side calls a name
    /// @param choices by which it calls the choices, each with a code and such a name
    /// @throws IllegalArgumentException when it is of a type that nobody knows, or too much of anything
    public static CustomField field(JsonNode node, String name, String choices) {
        Map<String, String> named = new LinkedHashMap<>();
        node.path(choices).forEach(choice -> named.put(Json.text(choice, "code"), Json.text(choice, name)));
        CustomField field = new CustomField(
                Json.text(node, "code"),
                Json.text(node, name),
                type(node),
                node.path("maxLength").asInt(),
                named,
                node.path("active").asBoolean(true));
        Understood.findBeyond(field).ifPresent(beyond -> {
            throw new IllegalArgumentException(beyond);
        });
        return field;
    }

    public static FieldType type(JsonNode node) {
        return FieldType.valueOf(Json.text(node, "type").toUpperCase(Locale.ROOT));
    }

    /// As [FieldType] tells.
    ///
    /// @throws RuntimeException when it is no value of that type
    public static String value(FieldType type, String value) {
        return switch (type) {
            case TEXT, CHOICE -> value;
            case NUMBER -> Understood.within("a field", new BigDecimal(value)).toPlainString();
            case DATE -> LocalDate.parse(value).toString();
        };
    }
}
