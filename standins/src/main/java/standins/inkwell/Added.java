package standins.inkwell;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import standins.FieldValues;
import standins.Refusal;
import standins.inkwell.Books.Field;
import standins.inkwell.Books.FieldChoice;
import standins.inkwell.Books.Terms;
import tools.jackson.databind.json.JsonMapper;

/// What a company added to its documents: terms of payment and fields of its own.
@Component
public class Added {
    private final JdbcClient jdbc;
    private final JsonMapper json;

    Added(JdbcClient jdbc, JsonMapper json) {
        this.jdbc = jdbc;
        this.json = json;
    }

    public List<Terms> terms() {
        return jdbc.sql("""
                select code, name, days, end_of_month, months, day_of_month, discount, discount_days, active
                from inkwell_terms order by code""").query(Terms.class).list();
    }

    public List<Field> fields() {
        return jdbc.sql("select code, title, type, max_length, choices, active from inkwell_field order by code")
                .query((row, n) -> new Field(
                        row.getString("code"),
                        row.getString("title"),
                        row.getString("type"),
                        row.getInt("max_length"),
                        List.of(json.readValue(row.getString("choices"), FieldChoice[].class)),
                        row.getBoolean("active")))
                .list();
    }

    public void setActive(String field, boolean active) {
        int rows = jdbc.sql("update inkwell_field set active = :active where code = :code")
                .param("active", active)
                .param("code", field)
                .update();
        if (rows == 0) {
            throw Refusal.notFound("field " + field);
        }
    }

    void requireTerms(String code) {
        if (code != null
                && terms().stream()
                        .noneMatch(each -> each.active() && each.code().equals(code))) {
            throw Refusal.unprocessable("terms-unknown", "There are no terms of payment " + code + " in use.");
        }
    }

    /// What a document says in the fields once it is written.
    ///
    /// @param before what it said
    /// @param asked one without a value takes away what is there; null leaves all as it is
    Map<String, String> merged(Map<String, String> before, Map<String, String> asked) {
        Map<String, String> merged = new TreeMap<>(before);
        if (asked != null) {
            asked.forEach((code, value) -> {
                if (value == null || value.isEmpty()) {
                    merged.remove(code);
                } else if (!value.equals(before.get(code))) {
                    requireFitting(code, value);
                    merged.put(code, value);
                }
            });
        }
        return merged;
    }

    private void requireFitting(String code, String value) {
        Field field = fields().stream()
                .filter(each -> each.active() && each.code().equals(code))
                .findFirst()
                .orElseThrow(() -> Refusal.unprocessable("field-unknown", "There is no field " + code + " in use."));
        List<String> codes = field.values().stream().map(FieldChoice::code).toList();
        boolean fits = FieldValues.fits(field.type(), value, field.maxLength(), codes);
        if (!fits) {
            throw Refusal.unprocessable("field-value", "The field " + field.title() + " does not take " + value + ".");
        }
    }

    /// How a field stands on a document at the desk.
    public record Shown(String code, String title, String type, String value, List<Choice> choices) {
        public boolean isChoice() {
            return type.equals("choice");
        }
    }

    public record Choice(String code, String title, boolean chosen) {}

    public List<Shown> shown(Map<String, String> values) {
        return fields().stream()
                .map(field -> shown(field, values.getOrDefault(field.code(), "")))
                .toList();
    }

    private static Shown shown(Field field, String value) {
        List<Choice> choices = field.values().stream()
                .map(each -> new Choice(each.code(), each.title(), each.code().equals(value)))
                .toList();
        return new Shown(field.code(), field.title(), field.type(), value, choices);
    }
}
