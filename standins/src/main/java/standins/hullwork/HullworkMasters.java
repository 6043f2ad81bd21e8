package standins.hullwork;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import standins.Refusal;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/// The yard's customers and items. Some of what they are is the office's own: other programs cannot change it.
@Component
public class HullworkMasters {
    private final HullworkRecords records;
    private final JdbcClient jdbc;
    private final JsonMapper json;
    private final HullworkTouches touches;

    public enum Type {
        CUSTOMER(
                "name",
                List.of("name", "taxIdentifier", "email", "phone"),
                List.of("billTo", "shipTo"),
                List.of("retired"),
                "taxIdentifier",
                "Only the office changes a tax identifier."),
        ITEM(
                "text",
                List.of("text", "unit", "kind"),
                List.of(),
                List.of(),
                "kind",
                "What kind of item it is, only the office changes.");

        private final String called;
        private final List<String> texts;
        private final List<String> addresses;
        private final List<String> flags;
        private final String readOnly;
        private final String why;

        Type(
                String called,
                List<String> texts,
                List<String> addresses,
                List<String> flags,
                String readOnly,
                String why) {
            this.called = called;
            this.texts = texts;
            this.addresses = addresses;
            this.flags = flags;
            this.readOnly = readOnly;
            this.why = why;
        }

        /// As its records are called in the feed.
        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /// @param version another one after each change
    public record Standing(Map<String, Object> record, long version) {}

    HullworkMasters(HullworkRecords records, JdbcClient jdbc, JsonMapper json, HullworkTouches touches) {
        this.records = records;
        this.jdbc = jdbc;
        this.json = json;
        this.touches = touches;
    }

    public List<Map<String, Object>> all(Type type) {
        return jdbc
                .sql("select body from hullwork_record where type = :type order by id")
                .param("type", type.word())
                .query(String.class)
                .list()
                .stream()
                .map(this::read)
                .toList();
    }

    public Standing get(Type type, String code) {
        return jdbc.sql("select body, seq from hullwork_record where type = :type and id = :code")
                .param("type", type.word())
                .param("code", code)
                .query((row, n) -> new Standing(read(row.getString("body")), row.getLong("seq")))
                .optional()
                .orElseThrow(() -> Refusal.notFound(type.word() + " " + code));
    }

    /// By another program: what it was answered under a key, it is answered again.
    @Transactional
    public Standing change(Type type, String code, Standing wanted, String key) {
        records.lock();
        Optional<Standing> answered = find(key);
        if (answered.isPresent()) {
            return answered.get();
        }
        Standing standing = get(type, code);
        if (standing.version() != wanted.version()) {
            throw new Refusal(
                    HttpStatus.CONFLICT,
                    "stale-version",
                    "The %s %s was changed since it was read.".formatted(type.word(), code));
        }
        Object own = wanted.record().get(type.readOnly);
        if (own != null && !own.equals(standing.record().get(type.readOnly))) {
            throw Refusal.unprocessable("field-read-only", type.why);
        }
        Standing changed = change(type, code, wanted.record());
        if (!key.isEmpty()) {
            jdbc.sql("insert into hullwork_request (key, body) values (:key, cast(:body as jsonb))")
                    .params(Map.of("key", key, "body", json.writeValueAsString(changed)))
                    .update();
        }
        return changed;
    }

    /// By the office; what is not given stays.
    @Transactional
    public Standing change(Type type, String code, Map<String, ?> fields) {
        Map<String, Object> master = new TreeMap<>(get(type, code).record());
        type.texts.stream()
                .filter(fields::containsKey)
                .forEach(name ->
                        master.put(name, String.valueOf(fields.get(name)).strip()));
        Stream<String> addresses = type.addresses.stream();
        addresses.filter(fields::containsKey).forEach(name -> master.put(name, fields.get(name)));
        type.flags.stream()
                .filter(fields::containsKey)
                .forEach(name -> master.put(name, Boolean.parseBoolean(String.valueOf(fields.get(name)))));
        if (String.valueOf(master.get(type.called)).isBlank()) {
            throw Refusal.unprocessable("name-missing", "One without a name cannot be kept.");
        }
        records.put(type.word(), code, master);
        touches.note(type.word(), code);
        return get(type, code);
    }

    private Optional<Standing> find(String key) {
        return jdbc.sql("select body from hullwork_request where key = :key")
                .param("key", key)
                .query(String.class)
                .optional()
                .map(body -> json.readValue(body, Standing.class));
    }

    private Map<String, Object> read(String body) {
        return json.readValue(body, new TypeReference<TreeMap<String, Object>>() {});
    }
}
