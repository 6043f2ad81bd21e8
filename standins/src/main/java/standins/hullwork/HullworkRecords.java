package standins.hullwork;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// All records of Hullwork. Every write moves the record to the end of the changes feed.
@Component
public class HullworkRecords {
    static final String GONE = "deleted";
    private final JdbcClient jdbc;
    private final JsonMapper json;

    /// One entry of the feed: the record as it is now.
    public record Change(long cursor, String type, String id, JsonNode record) {}

    HullworkRecords(JdbcClient jdbc, JsonMapper json) {
        this.jdbc = jdbc;
        this.json = json;
    }

    /// One writer at a time, so that nobody reading the feed can pass a number that is still to be committed.
    @Transactional
    public void put(String type, String id, Object body) {
        lock();
        jdbc.sql("""
                insert into hullwork_record (type, id, body, seq)
                values (:type, :id, cast(:body as jsonb), nextval('hullwork_seq'))
                on conflict (type, id) do update set body = excluded.body, seq = excluded.seq""")
                .params(Map.of("type", type, "id", id, "body", json.writeValueAsString(body)))
                .update();
    }

    /// It is not there any more; the feed tells of that.
    ///
    /// @param left what is told of it
    @Transactional
    public void remove(String type, String id, Object left) {
        put(GONE, id, left);
        remove(type, id);
    }

    void remove(String type, String id) {
        jdbc.sql("delete from hullwork_record where type = :type and id = :id")
                .params(Map.of("type", type, "id", id))
                .update();
    }

    /// Held until the transaction around it ends.
    void lock() {
        jdbc.sql("select pg_advisory_xact_lock(8490)").query().singleRow();
    }

    /// The number of the next document, which none ever had.
    ///
    /// @param first of ten thousand
    long nextDocument(long first) {
        return jdbc.sql("""
                select coalesce(max(n), :first - 1) + 1 from (
                    select cast(substring(id from 3) as bigint) as n from hullwork_record
                    where type in ('document', :gone) and id ~ '^d-[0-9]{1,9}$') numbered
                where n between :first and :first + 9999""")
                .param("first", first)
                .param("gone", GONE)
                .query(Long.class)
                .single();
    }

    /// As after another machine took over with a copy: the same records, under other places in the feed.
    @Transactional
    public void beginAgain() {
        lock();
        jdbc.sql("update hullwork_feed set begun = gen_random_uuid()").update();
        jdbc.sql("update hullwork_record set seq = -seq").update();
        jdbc.sql("select setval('hullwork_seq', 1, false)").query().singleRow();
        jdbc.sql("""
                update hullwork_record r set seq = nextval('hullwork_seq')
                from (select type, id from hullwork_record order by seq desc) o where o.type = r.type and o.id = r.id""").update();
    }

    /// Another one once the feed began again.
    public String begun() {
        return jdbc.sql("select begun::text from hullwork_feed")
                .query(String.class)
                .single();
    }

    public List<Change> changes(long after, int limit) {
        return jdbc.sql("""
                select seq, type, id, body from hullwork_record where seq > :after order by seq limit :limit""")
                .params(Map.of("after", after, "limit", limit))
                .query((row, n) -> new Change(
                        row.getLong("seq"),
                        row.getString("type"),
                        row.getString("id"),
                        json.readTree(row.getString("body"))))
                .list();
    }

    public Optional<HullworkDocument> findDocument(String id) {
        return find("document", id, HullworkDocument.class);
    }

    public <T> Optional<T> find(String type, String id, Class<T> as) {
        return jdbc.sql("select body from hullwork_record where type = :type and id = :id")
                .params(Map.of("type", type, "id", id))
                .query(String.class)
                .optional()
                .map(body -> json.readValue(body, as));
    }

    public <T> List<T> all(String type, Class<T> as) {
        return jdbc
                .sql("select body from hullwork_record where type = :type order by id desc")
                .param("type", type)
                .query(String.class)
                .list()
                .stream()
                .map(body -> json.readValue(body, as))
                .toList();
    }
}
