package alcabala.connectors.adapters.inkwell;

import alcabala.connectors.http.Ahead;
import alcabala.connectors.http.Http;
import alcabala.connectors.http.Understood;
import java.util.function.Consumer;
import tools.jackson.databind.JsonNode;

/// Long lists, of which one page is asked for while the one before is worked on.
record InkwellPages(Http http) {
    private static final int PAGE = 2000;

    /// @param path with what it is asked by, up to where more can be said
    /// @param key by which it is sorted, and asked on
    void of(String path, String key, Consumer<JsonNode> page) {
        try (Ahead<JsonNode> ahead = new Ahead<>()) {
            ahead.ask(() -> page(path, ""));
            boolean more = true;
            while (more) {
                JsonNode answer = ahead.answer();
                more = answer.size() == PAGE;
                if (more) {
                    String last = answer.get(PAGE - 1).path(key).asString("");
                    ahead.ask(() -> page(path, last));
                }
                page.accept(answer);
            }
        }
    }

    private JsonNode page(String path, String after) {
        return Understood.list(
                "Inkwell",
                path.substring(1, path.indexOf('?')),
                http.get(path + "after={after}&limit={limit}", JsonNode.class, after, PAGE));
    }
}
