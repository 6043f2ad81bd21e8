package alcabala.server.send;

import alcabala.accounting.batch.ListEntry;
import alcabala.server.platform.DocumentJson;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.record.Hashes;
import alcabala.server.route.RouteRow;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Keeps lists with their files. One that no batch went with is let go after a day.
@Component
class OwnListStore {
    private static final Duration KEPT = Duration.ofDays(1);
    private final JdbcClient jdbc;
    private final Clock clock;

    /// As it was understood.
    record Kept(String currency, List<ListEntry> entries) {}

    /// Byte for byte.
    record Original(String fileName, byte[] content) {}

    private record Row(String currency, String entries) {}

    OwnListStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    long add(RouteRow route, String fileName, byte[] content, Kept kept, String who) {
        jdbc.sql("""
                delete from own_list o where made_at < :day
                    and not exists (select 1 from batch b where b.own_list_id = o.id)""").param("day", Timestamp.from(clock.instant().minus(KEPT))).update();
        return jdbc.sql("""
                insert into own_list (route_id, made_by, made_at, file_name, sha256, content, currency, entries)
                values (:route, :who, :now, :name, :hash, :content, :currency, cast(:entries as jsonb)) returning id""")
                .param("route", route.id())
                .param("who", who)
                .param("now", Timestamp.from(clock.instant()))
                .param("name", fileName)
                .param("hash", Hashes.sha256(content))
                .param("content", content)
                .param("currency", kept.currency())
                .param("entries", DocumentJson.write(kept.entries()))
                .query(Long.class)
                .single();
    }

    /// As it was brought, for a batch that went by it.
    ///
    /// @throws NotPossibleException when none did
    Original original(long batch) {
        return jdbc.sql(
                        "select o.file_name, o.content from own_list o join batch b on b.own_list_id = o.id where b.id = :batch")
                .param("batch", batch)
                .query((row, n) -> new Original(row.getString("file_name"), row.getBytes("content")))
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("own list of batch " + batch));
    }

    /// @throws NotPossibleException when it is not there (any more), or of another route
    Kept get(RouteRow route, long id) {
        return jdbc.sql("select currency, entries from own_list where id = :id and route_id = :route")
                .param("id", id)
                .param("route", route.id())
                .query(Row.class)
                .optional()
                .map(row -> new Kept(row.currency(), List.of(DocumentJson.read(row.entries(), ListEntry[].class))))
                .orElseThrow(() -> NotPossibleException.missing("list " + id));
    }
}
