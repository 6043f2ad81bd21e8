package alcabala.formats.layout;

import java.util.Map;

/// One column of a file.
///
/// @param argument the text of a fixed one, where a running number begins, or which field or dimension; else empty
/// @param table what stands for a value of ours; a value that it does not name stays as it is
public record LayoutColumn(String heading, LayoutField field, String argument, Map<String, String> table) {
    public LayoutColumn {
        argument = argument == null ? "" : argument;
        table = table == null ? Map.of() : Map.copyOf(table);
    }

    public static LayoutColumn of(String heading, LayoutField field) {
        return new LayoutColumn(heading, field, "", Map.of());
    }

    public LayoutColumn by(Map<String, String> other) {
        return new LayoutColumn(heading, field, argument, other);
    }

    Value shown(Value value) {
        return value instanceof Value.Text text && table.containsKey(text.text())
                ? Value.text(table.get(text.text()))
                : value;
    }

    /// What stands for a text of the file.
    String meant(String text) {
        return table.entrySet().stream()
                .filter(each -> each.getValue().equals(text))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(text);
    }
}
