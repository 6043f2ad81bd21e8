package alcabala.server.connection;

import alcabala.connectors.spi.ConnectionKind;
import alcabala.connectors.spi.FormField;
import alcabala.server.platform.DocumentJson;
import alcabala.server.platform.NotPossibleException;
import java.util.Map;
import java.util.TreeMap;
import tools.jackson.databind.node.ObjectNode;

/// What was answered to the fields that a kind asks for beside address and key. Nothing else is kept.
final class Answers {
    private static final int LONGEST = 300;

    private Answers() {}

    /// @throws NotPossibleException when a field is left open, or one is too long
    static Map<String, String> of(ConnectionKind kind, Map<String, String> given) {
        Map<String, String> answers = new TreeMap<>();
        for (FormField field : kind.form()) {
            if (isOwn(field)) {
                String answer = given.getOrDefault(field.name(), field.usual()).strip();
                if (answer.isEmpty() || answer.length() > LONGEST) {
                    throw NotPossibleException.invalid(
                            "field-invalid", "“%s” takes a text of 1 to %d letters.".formatted(field.label(), LONGEST));
                }
                answers.put(field.name(), answer);
            }
        }
        return answers;
    }

    static boolean isOwn(FormField field) {
        return !field.name().equals(FormField.ADDRESS) && !field.name().equals(FormField.KEY);
    }

    static String write(Map<String, String> answers) {
        return DocumentJson.write(answers);
    }

    static Map<String, String> read(String kept) {
        Map<String, String> answers = new TreeMap<>();
        DocumentJson.read(kept, ObjectNode.class)
                .properties()
                .forEach(each -> answers.put(each.getKey(), each.getValue().asString()));
        return answers;
    }
}
