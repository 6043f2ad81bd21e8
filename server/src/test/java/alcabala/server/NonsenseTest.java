package alcabala.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// Ten thousand requests of nonsense, over every operation of the description: none may be answered as if the server
/// were at fault.
class NonsenseTest {
    private static final int REQUESTS = Integer.getInteger("nonsense", 6_000);
    private static final long SEED = Long.getLong("seed", 20261126);
    private static final int LONGEST_MS = 5_000;
    /// So often those are asked too whose requests have nothing in them to be wrong.
    private static final int ALL_AT_FIRST = 10;

    private record Operation(String method, String path, JsonNode described) {
        boolean takesABody() {
            return described.has("requestBody");
        }

        boolean canBeWrong() {
            return takesABody() || described.has("parameters");
        }

        JsonNode schema() {
            return described
                    .path("requestBody")
                    .path("content")
                    .path("application/json")
                    .path("schema");
        }
    }

    @Test
    void nothingThatAnybodySendsIsTheServersFault() {
        try (World world = World.inProcess()) {
            JsonNode description = world.api("ferro").get("/api/openapi").json();
            // The news go on as long as somebody reads them, and take nothing that could be wrong.
            List<Operation> operations = operations(description).stream()
                    .filter(each -> !each.path().equals("/api/news"))
                    .toList();
            assertThat(operations).hasSizeGreaterThan(60);
            Nonsense nonsense = new Nonsense(description, SEED);
            List<String> wrong = new ArrayList<>();
            Map<Integer, Integer> answers = new TreeMap<>();
            Api admin = world.api("admin");
            List<Operation> varied =
                    operations.stream().filter(Operation::canBeWrong).toList();
            for (int i = 0; i < REQUESTS; i++) {
                Operation operation = i < ALL_AT_FIRST * operations.size()
                        ? operations.get(i % operations.size())
                        : varied.get(i % varied.size());
                String path = path(operation, nonsense);
                String body = operation.takesABody() ? nonsense.body(operation.schema()) : "";
                long before = System.nanoTime();
                Api.Response answer = admin.raw(operation.method(), path, nonsense.contentType(), body);
                long took = (System.nanoTime() - before) / 1_000_000;
                answers.merge(answer.status(), 1, Integer::sum);
                if (answer.status() >= 500 || took > LONGEST_MS || hasOtherShape(answer)) {
                    wrong.add(answer.status() + " after " + took + " ms: " + operation.method() + " " + cut(path) + " "
                            + cut(body) + " -> " + cut(answer.body()));
                }
                if (answer.status() == 401) {
                    admin = world.api("admin");
                }
            }
            wrong.addAll(world.jdbc()
                    .sql("select 'work ' || kind || ' ' || problem from work where (problem ->> 'status')::int = 500")
                    .query(String.class)
                    .list());
            assertThat(wrong).isEmpty();
            assertThat(answers.getOrDefault(200, 0) + answers.getOrDefault(204, 0) + answers.getOrDefault(202, 0))
                    .as("some of it gets through: " + answers)
                    .isGreaterThan(REQUESTS / 20);
        }
    }

    /// Every refusal has the shape of RFC 9457.
    private static boolean hasOtherShape(Api.Response answer) {
        return answer.status() >= 400
                && !(answer.header("content-type").startsWith("application/problem+json")
                        && !answer.json().path("sentence").asString("").isEmpty());
    }

    private static String path(Operation operation, Nonsense nonsense) {
        StringBuilder path = new StringBuilder(operation.path());
        StringBuilder query = new StringBuilder();
        for (JsonNode parameter : operation.described().path("parameters")) {
            String name = parameter.get("name").asString();
            String value = nonsense.parameter();
            int at = path.indexOf("{" + name + "}");
            if (at >= 0) {
                path.replace(at, at + name.length() + 2, value);
            } else if (!nonsense.isLeftOut()) {
                query.append(query.isEmpty() ? "?" : "&")
                        .append(Nonsense.encoded(name))
                        .append('=')
                        .append(value);
            }
        }
        return path.append(query).toString();
    }

    private static List<Operation> operations(JsonNode description) {
        List<Operation> all = new ArrayList<>();
        description
                .get("paths")
                .propertyStream()
                .forEach(path -> path.getValue()
                        .propertyStream()
                        .forEach(method -> all.add(new Operation(
                                method.getKey().toUpperCase(Locale.ROOT), path.getKey(), method.getValue()))));
        return all;
    }

    private static String cut(String text) {
        return text.length() > 300 ? text.substring(0, 300) + "…" : text;
    }
}
