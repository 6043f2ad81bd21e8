package standins.hullwork;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import standins.Refusal;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// The yard's customers and items. Some of what they are is the office's own: other programs cannot change it.
@Component
public class HullworkMasters {
    private static final int MOST_LETTERS = 40;
    private final HullworkRecords records;
    private final JdbcClient jdbc;
    private final JsonMapper json;
    private final HullworkTouches touches;

    public enum Type {
        CUSTOMER(
                "name",
                List.of("name", "taxIdentifier", "email", "phone", "terms"),
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
        return answer(key, changed);
    }

    private Standing answer(String key, Standing standing) {
        if (!key.isEmpty()) {
            jdbc.sql("insert into hullwork_request (key, body) values (:key, cast(:body as jsonb))")
                    .params(Map.of("key", key, "body", json.writeValueAsString(standing)))
                    .update();
        }
        return standing;
    }

    /// By another program, which may say all that is known of it. A customer gets the next code, an item has its own.
    @Transactional
    public Standing add(Type type, Map<String, Object> given, String key) {
        records.lock();
        Optional<Standing> answered = find(key);
        if (answered.isPresent()) {
            return answered.get();
        }
        String code = type == Type.CUSTOMER ? nextCustomer() : codeOf(given);
        Map<String, Object> master = new TreeMap<>(Map.of("code", code));
        type.texts.forEach(name -> master.put(
                name, Objects.toString(given.getOrDefault(name, ""), "").strip()));
        type.addresses.forEach(name -> master.put(name, given.getOrDefault(name, Map.of())));
        require(type, master);
        if (type == Type.ITEM) {
            requireKind(master);
        }
        records.put(type.word(), code, master);
        touches.note(type.word(), code);
        return answer(key, get(type, code));
    }

    private String nextCustomer() {
        return jdbc.sql("""
                        select 'C-' || coalesce(max(cast(substring(id from 3) as bigint)), 1000) + 1 from hullwork_record
                        where type = 'customer' and id ~ '^C-[0-9]{1,9}$'""").query(String.class).single();
    }

    private String codeOf(Map<String, Object> given) {
        String code = Objects.toString(given.get("code"), "").strip();
        if (code.isEmpty() || code.length() > MOST_LETTERS) {
            throw Refusal.unprocessable("code-missing", "An item needs a code of up to " + MOST_LETTERS + " letters.");
        }
        if (records.find(Type.ITEM.word(), code, JsonNode.class).isPresent()) {
            throw Refusal.unprocessable("code-taken", "There is an item " + code + " already.");
        }
        return code;
    }

    private static void requireKind(Map<String, Object> item) {
        if (String.valueOf(item.get("kind")).isEmpty()) {
            throw Refusal.unprocessable("kind-missing", "What kind of item it is has to be said.");
        }
    }

    /// What a request under this key was answered, if it was one about such.
    public Optional<Standing> answered(Type type, String key) {
        return find(key).filter(standing -> standing.record().containsKey(type.called));
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
        require(type, master);
        records.put(type.word(), code, master);
        touches.note(type.word(), code);
        return get(type, code);
    }

    private void require(Type type, Map<String, Object> master) {
        if (String.valueOf(master.get(type.called)).isBlank()) {
            throw Refusal.unprocessable("name-missing", "One without a name cannot be kept.");
        }
        String terms = Objects.toString(master.get("terms"), "");
        if (!terms.isEmpty() && records.find("terms", terms, JsonNode.class).isEmpty()) {
            throw Refusal.unprocessable("terms-unknown", "The yard has no terms of payment " + terms + ".");
        }
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
