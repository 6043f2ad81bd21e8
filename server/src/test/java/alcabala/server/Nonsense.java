package alcabala.server;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import tools.jackson.databind.JsonNode;

/// Makes requests up that nobody would send in good faith: some only a little wrong, so that they get past the door.
/// The same seed makes the same ones.
final class Nonsense {
    private static final int NEARLY_RIGHT = 6;
    /// As they stand in JSON; half surrogates and U+0000 included.
    private static final List<String> TEXTS = List.of(
            "\"\"",
            "\" \"",
            "\"\\u0000\"",
            "\"a\\ud800b\"",
            "\"\\udc00\"",
            "\"\\uffff\\ufffe\"",
            "\"Ω漢字🚣ابجد\"",
            "\"'; drop table trail; --\"",
            "\"%00%_\\\\\"",
            "\"../../etc/passwd\"",
            "\"{jndi:x}${x}\"",
            "\"2026-02-30\"",
            "\"+999999999-12-31\"",
            "\"-1\"",
            "\"" + "x".repeat(100) + "\"",
            "\"" + "y".repeat(70_000) + "\"",
            "\"a\\r\\nSet-Cookie: a=b\"");
    private static final List<String> NUMBERS = List.of(
            "0",
            "-1",
            "1",
            "2147483648",
            "-9223372036854775808",
            "9223372036854775808",
            "1e400",
            "1e-400",
            "1e999999999",
            "0.1",
            "NaN");
    private static final List<String> OTHERS = List.of("null", "true", "[]", "{}", "[null]", "[[[[]]]]", "{\"\":null}");
    private static final List<String> WRECKS = List.of(
            "",
            "{",
            "[",
            "\"",
            "nul",
            "{\"a\":1}{\"a\":2}",
            "[".repeat(5_000),
            "{\"a\":".repeat(2_000),
            "<a/>",
            "\ufeff{}",
            "{\"a\":\"\u0001\"}");
    private static final List<String> PARAMETERS = List.of(
            "0",
            "-1",
            "1",
            "2",
            "yard",
            "harbour",
            "ferro",
            "item",
            "99999999999999999999",
            "null",
            "%00",
            "a%00b",
            "%ED%A0%80",
            "%FF%FE",
            "%E6%BC%A2%E5%AD%97",
            "%F0%9F%9A%A3",
            "%27%22%3B--",
            "2026-02-30",
            "%2B999999999-12-31",
            "a%0D%0Ab",
            "%25_%5C",
            "x".repeat(3_000),
            "Ready",
            "READY");
    private final Random random;
    private final JsonNode schemas;

    Nonsense(JsonNode description, long seed) {
        this.schemas = description.path("components").path("schemas");
        this.random = new Random(seed);
    }

    String parameter() {
        return pick(PARAMETERS);
    }

    boolean isLeftOut() {
        return random.nextInt(3) == 0;
    }

    /// The present text of a name, percent-encoded.
    static String encoded(String name) {
        return URLEncoder.encode(name, StandardCharsets.UTF_8);
    }

    String body(JsonNode schema) {
        return switch (random.nextInt(10)) {
            case 0 -> pick(WRECKS);
            case 1 -> any();
            default -> like(schema, 0);
        };
    }

    String contentType() {
        return random.nextInt(20) == 0
                ? pick(List.of("text/plain", "application/xml", "application/x-www-form-urlencoded", "a/b; charset=x"))
                : "application/json";
    }

    /// A value of the shape that is asked for, most of the time.
    private String like(JsonNode schema, int depth) {
        if (random.nextInt(NEARLY_RIGHT) == 0 || depth > 6) {
            return any();
        }
        if (schema.has("$ref")) {
            String ref = schema.get("$ref").asString();
            return like(schemas.path(ref.substring(ref.lastIndexOf('/') + 1)), depth + 1);
        }
        if (schema.has("enum")) {
            return schema.get("enum")
                    .get(random.nextInt(schema.get("enum").size()))
                    .toString();
        }
        return switch (schema.path("type").asString("")) {
            case "object" -> object(schema, depth);
            case "array" ->
                IntStream.range(0, random.nextInt(4))
                        .mapToObj(i -> like(schema.path("items"), depth + 1))
                        .collect(Collectors.joining(",", "[", "]"));
            case "integer" -> pick(List.of("0", "1", "2", "3", "-1", "2147483647"));
            case "number" -> pick(List.of("0", "1.00", "-0.01", "99999999999.99", "0.00000000001"));
            case "boolean" -> pick(List.of("true", "false"));
            default -> text(schema);
        };
    }

    private String object(JsonNode schema, int depth) {
        return schema.path("properties")
                .propertyStream()
                .filter(property -> random.nextInt(8) > 0)
                .map(property -> "\"" + property.getKey() + "\":" + like(property.getValue(), depth + 1))
                .collect(Collectors.joining(",", "{", "}"));
    }

    private String text(JsonNode schema) {
        return switch (schema.path("format").asString("")) {
            case "date" -> pick(List.of("\"2026-08-01\"", "\"0000-01-01\"", "\"9999-12-31\"", "\"2026-02-30\""));
            case "date-time" -> pick(List.of("\"2026-08-01T00:00:00Z\"", "\"yesterday\""));
            default ->
                random.nextBoolean()
                        ? pick(List.of(
                                "\"yard\"", "\"harbour\"", "\"ferro\"", "\"x-ray\"", "\"1\"", "\"EUR\"", "\"4000\""))
                        : pick(TEXTS);
        };
    }

    private String any() {
        return switch (random.nextInt(3)) {
            case 0 -> pick(TEXTS);
            case 1 -> pick(NUMBERS);
            default -> pick(OTHERS);
        };
    }

    private String pick(List<String> from) {
        return from.get(random.nextInt(from.size()));
    }
}
