package alcabala.server.record;

import alcabala.server.platform.Copy;
import alcabala.server.platform.CopyAhead;
import java.time.Instant;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.sql.DataSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What sources said, each time they said it: added to, and never changed.
@Component
public class Revisions {
    private final JdbcClient jdbc;
    private final DataSource dataSource;

    /// @param revision of the record's content; it stays where only its milestones changed
    public record Revision(long id, long recordId, int revision, Incoming said) {}

    Revisions(JdbcClient jdbc, DataSource dataSource) {
        this.jdbc = jdbc;
        this.dataSource = dataSource;
    }

    /// Numbers for that many, to be written by.
    public List<Long> ids(int count) {
        return ids("record_revision", count);
    }

    List<Long> ids(String table, int count) {
        return count == 0
                ? List.of()
                : jdbc.sql("select nextval(pg_get_serial_sequence(:table, 'id')) from generate_series(1, :count)")
                        .param("table", table)
                        .param("count", count)
                        .query(Long.class)
                        .list();
    }

    public void write(long sourceId, List<Revision> revisions, Instant now) {
        try (CopyAhead ahead = CopyAhead.on(dataSource)) {
            write(ahead, sourceId, revisions, now);
        }
    }

    /// Beside other rows.
    public void write(CopyAhead ahead, long sourceId, List<Revision> revisions, Instant now) {
        Copy copy = new Copy();
        for (Revision each : revisions) {
            copy.value(each.id())
                    .value(each.recordId())
                    .value(each.revision())
                    .value(sourceId)
                    .value(Hashes.sha256(each.said().raw()))
                    .value(each.said().mediaType())
                    .value(each.said().fileName())
                    .value(each.said().raw())
                    .value(Stored.SHAPE)
                    .value(Stored.write(each.said().record()))
                    .value(now)
                    .endRow();
        }
        ahead.send(
                copy,
                "record_revision (id, record_id, revision, source_id, sha256, media_type, file_name, raw, shape, content,"
                        + " received_at)");
    }

    /// The content that counts of each, with its shape, as [Stored] reads it.
    public Map<Long, String> contents(List<Long> recordIds) {
        Map<Long, String> contents = new HashMap<>();
        jdbc.sql("select d.id, " + Stored.COLUMN + " from record d" + Stored.JOIN + "where d.id = any(:ids)")
                .param("ids", recordIds.toArray(Long[]::new))
                .query((row, n) -> contents.put(row.getLong("id"), row.getString("content")))
                .list();
        return contents;
    }

    /// When these very bytes first came from a source, as a day and a minute.
    public Optional<String> findFirst(long sourceId, String hash) {
        return jdbc.sql("""
                select to_char(received_at, 'YYYY-MM-DD HH24:MI') from record_revision
                where source_id = :source and sha256 = :hash order by id limit 1""")
                .param("source", sourceId)
                .param("hash", HexFormat.of().parseHex(hash))
                .query(String.class)
                .optional();
    }

    /// The bytes that count of a record, as they came.
    public Incoming.Raw raw(long recordId) {
        return jdbc.sql("""
                select v.raw, v.media_type, v.file_name from record d join record_revision v on v.id = d.revision_id
                where d.id = :id""")
                .param("id", recordId)
                .query((row, n) ->
                        new Incoming.Raw(row.getBytes("raw"), row.getString("media_type"), row.getString("file_name")))
                .single();
    }
}
