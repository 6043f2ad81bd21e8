package alcabala.server.crossing;

import alcabala.server.platform.News.Topic;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Telling;
import alcabala.server.record.Records;
import alcabala.server.trail.Trail;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Records that stay as they are on both sides: neither sent nor asked about any more, whatever changes, until somebody
/// looks after them again.
@Component
public class LeftAlone {
    private final JdbcClient jdbc;
    private final Trail trail;
    private final Telling telling;
    private final Clock clock;

    /// Who said so, and when.
    ///
    /// @param unlinkedFrom the number of what it stood for until it was unlinked; empty where it was not
    public record Said(String who, Instant at, String unlinkedFrom) {}

    LeftAlone(JdbcClient jdbc, Trail trail, Telling telling, Clock clock) {
        this.jdbc = jdbc;
        this.trail = trail;
        this.telling = telling;
        this.clock = clock;
    }

    public Optional<Said> find(long recordId) {
        return jdbc.sql("""
                select a.who, a.at, coalesce((
                    select x.link->'ledger_now'->>'number' from apart x where x.record_id = a.record_id and not exists (
                        select 1 from link l where l.record_id = x.record_id) order by x.at desc limit 1), '') as unlinked_from
                from left_alone a where a.record_id = :id""")
                .param("id", recordId)
                .query((row, n) -> new Said(
                        row.getString("who"), row.getTimestamp("at").toInstant(), row.getString("unlinked_from")))
                .optional();
    }

    /// Whether Resolve asks about it, and it is known what became of it.
    public boolean isAskedAbout(long recordId) {
        return jdbc.sql("select exists (select 1 from record d where d.id = :id and d.state <> 'Unconfirmed' and "
                        + Records.HELD + ")")
                .param("id", recordId)
                .query(Boolean.class)
                .single();
    }

    /// @throws NotPossibleException when it is not one that Resolve asks about, or nobody knows yet what became of it
    @Transactional
    public void leave(Records.Row record, String who) {
        jdbc.sql("select id from record where id = :id for update")
                .param("id", record.id())
                .query(Long.class)
                .single();
        if (!isAskedAbout(record.id())) {
            throw NotPossibleException.conflict(
                    "nothing-to-leave",
                    record.number() + " is in order by now, or what became of it is not known yet; look at it again.");
        }
        if (insert(record.id(), who)) {
            said(record, who, "left-alone");
        }
    }

    /// One that stands for nothing any more because somebody said so.
    void leaveUnlinked(long recordId, String who) {
        insert(recordId, who);
    }

    private boolean insert(long recordId, String who) {
        return jdbc.sql("""
                insert into left_alone (record_id, who, at) values (:id, :who, :now) on conflict do nothing""")
                        .param("id", recordId)
                        .param("who", who)
                        .param("now", Timestamp.from(clock.instant()))
                        .update()
                > 0;
    }

    /// It was linked with something.
    ///
    /// @return whether it was left alone
    boolean end(long recordId) {
        return jdbc.sql("delete from left_alone where record_id = :id")
                        .param("id", recordId)
                        .update()
                > 0;
    }

    /// @throws NotPossibleException when it is not left alone
    @Transactional
    public void lookAfter(Records.Row record, String who) {
        if (!end(record.id())) {
            throw NotPossibleException.conflict("looked-after", record.number() + " is looked after already.");
        }
        said(record, who, "looked-after-again");
    }

    private void said(Records.Row record, String who, String what) {
        trail.write(record.routeId(), record.id(), who, what, Map.of());
        telling.tell(Topic.RECORDS, record.routeId(), who, record.id());
    }
}
