package alcabala.server.trail;

import alcabala.server.platform.Copy;
import alcabala.server.platform.Like;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import javax.sql.DataSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/// Who did what to which document, when, and what went over the wire. Rows are only ever added.
@Component
public class Trail {
    private static final TypeReference<Map<String, Object>> DETAIL = new TypeReference<>() {};
    private final JdbcClient jdbc;
    private final DataSource dataSource;
    private final JsonMapper json;
    private final Clock clock;

    /// One entry to be written.
    public record Entry(Long routeId, Long documentId, String who, String action, Map<String, ?> detail) {}

    /// One entry as it is read.
    public record TrailEntry(long id, Instant at, String who, String action, Map<String, Object> detail) {}

    Trail(JdbcClient jdbc, DataSource dataSource, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.dataSource = dataSource;
        this.json = json;
        this.clock = clock;
    }

    public void write(Long routeId, Long documentId, String who, String action, Map<String, ?> detail) {
        write(List.of(new Entry(routeId, documentId, who, action, detail)));
    }

    /// Within the caller's transaction, so that what happened and its trace stand or fall together.
    public void write(List<Entry> entries) {
        Copy copy = new Copy();
        String now = clock.instant().toString();
        for (Entry entry : entries) {
            copy.value(now)
                    .value(entry.who())
                    .value(entry.routeId())
                    .value(entry.documentId())
                    .value(entry.action())
                    .value(json.writeValueAsString(entry.detail()))
                    .endRow();
        }
        copy.send(dataSource, "trail (at, who, route_id, document_id, action, detail)");
    }

    /// What concerns no single document: settings, people, connections, pulls. The newest first.
    ///
    /// @param before only entries older than this one; null for the newest
    public List<TrailEntry> ofSettings(String who, String text, Long before, int limit) {
        return jdbc.sql("""
                select id, at, who, action, detail from trail
                where document_id is null and id < :before and (:who = '' or who = :who)
                    and (:text = '' or action ilike :pattern or detail::text ilike :pattern)
                order by id desc limit :limit""")
                .param("before", before == null ? Long.MAX_VALUE : before)
                .param("who", who)
                .param("text", text)
                .param("pattern", Like.anywhere(text))
                .param("limit", limit)
                .query((row, n) -> entry(row))
                .list();
    }

    public List<TrailEntry> of(long documentId) {
        return jdbc.sql("select id, at, who, action, detail from trail where document_id = :id order by id")
                .param("id", documentId)
                .query((row, n) -> entry(row))
                .list();
    }

    private TrailEntry entry(ResultSet row) throws SQLException {
        return new TrailEntry(
                row.getLong("id"),
                row.getTimestamp("at").toInstant(),
                row.getString("who"),
                row.getString("action"),
                json.readValue(row.getString("detail"), DETAIL));
    }
}
