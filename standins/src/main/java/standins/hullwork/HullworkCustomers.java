package standins.hullwork;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import standins.Refusal;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/// The yard's customers. Tax identifiers are the office's own: other programs cannot change them.
@Component
public class HullworkCustomers {
    private static final String TAX_IDENTIFIER = "taxIdentifier";
    private static final List<String> TEXTS = List.of("name", TAX_IDENTIFIER, "email", "phone");
    private static final List<String> ADDRESSES = List.of("billTo", "shipTo");
    private final HullworkRecords records;
    private final JdbcClient jdbc;
    private final JsonMapper json;

    /// @param version another one after each change
    public record Standing(Map<String, Object> customer, long version) {}

    HullworkCustomers(HullworkRecords records, JdbcClient jdbc, JsonMapper json) {
        this.records = records;
        this.jdbc = jdbc;
        this.json = json;
    }

    public List<Map<String, Object>> all() {
        return jdbc
                .sql("select body from hullwork_record where type = 'customer' order by id")
                .query(String.class)
                .list()
                .stream()
                .map(this::read)
                .toList();
    }

    public Standing get(String code) {
        return jdbc.sql("select body, seq from hullwork_record where type = 'customer' and id = :code")
                .param("code", code)
                .query((row, n) -> new Standing(read(row.getString("body")), row.getLong("seq")))
                .optional()
                .orElseThrow(() -> Refusal.notFound("customer " + code));
    }

    /// By another program: what it was answered under a key, it is answered again.
    @Transactional
    public Standing change(String code, Standing wanted, String key) {
        records.lock();
        Optional<Standing> answered = find(key);
        if (answered.isPresent()) {
            return answered.get();
        }
        Standing standing = get(code);
        if (standing.version() != wanted.version()) {
            throw new Refusal(
                    HttpStatus.CONFLICT, "stale-version", "Customer " + code + " was changed since it was read.");
        }
        if (wanted.customer().containsKey(TAX_IDENTIFIER)
                && !wanted.customer()
                        .get(TAX_IDENTIFIER)
                        .equals(standing.customer().get(TAX_IDENTIFIER))) {
            throw Refusal.unprocessable("field-read-only", "Only the office changes a tax identifier.");
        }
        Standing changed = change(code, wanted.customer());
        if (!key.isEmpty()) {
            jdbc.sql("insert into hullwork_request (key, body) values (:key, cast(:body as jsonb))")
                    .params(Map.of("key", key, "body", json.writeValueAsString(changed)))
                    .update();
        }
        return changed;
    }

    /// By the office.
    @Transactional
    public Standing change(String code, Map<String, Object> fields) {
        Map<String, Object> customer = new TreeMap<>(get(code).customer());
        TEXTS.stream()
                .filter(fields::containsKey)
                .forEach(name ->
                        customer.put(name, String.valueOf(fields.get(name)).strip()));
        ADDRESSES.stream().filter(fields::containsKey).forEach(name -> customer.put(name, fields.get(name)));
        if (String.valueOf(customer.get("name")).isBlank()) {
            throw Refusal.unprocessable("name-missing", "A customer needs a name.");
        }
        records.put("customer", code, customer);
        return get(code);
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
