package standins.apps;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// What the two apps have recorded. Every write moves the record to the end.
@Component
public class AppRecords {
    private final JdbcClient jdbc;
    private final JsonMapper json;

    /// A record as it is now, with its place in the order of changes.
    public record Entry(long seq, String type, String id, JsonNode body) {}

    AppRecords(JdbcClient jdbc, JsonMapper json) {
        this.jdbc = jdbc;
        this.json = json;
    }

    @Transactional
    public void put(String app, String type, String id, Map<String, ?> body) {
        jdbc.sql("select pg_advisory_xact_lock(8492)").query().singleRow();
        jdbc.sql("""
                insert into app_record (app, type, id, body, seq)
                values (:app, :type, :id, cast(:body as jsonb), nextval('app_seq'))
                on conflict (app, type, id) do update set body = excluded.body, seq = excluded.seq""")
                .params(Map.of("app", app, "type", type, "id", id, "body", json.writeValueAsString(body)))
                .update();
    }

    public List<Entry> since(String app, long after, int limit) {
        return jdbc.sql("""
                select seq, type, id, body from app_record where app = :app and seq > :after order by seq limit :limit""")
                .params(Map.of("app", app, "after", after, "limit", limit))
                .query((row, n) -> new Entry(
                        row.getLong("seq"),
                        row.getString("type"),
                        row.getString("id"),
                        json.readTree(row.getString("body"))))
                .list();
    }
}
