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
    public record Said(String who, Instant at) {}

    LeftAlone(JdbcClient jdbc, Trail trail, Telling telling, Clock clock) {
        this.jdbc = jdbc;
        this.trail = trail;
        this.telling = telling;
        this.clock = clock;
    }

    public Optional<Said> find(long recordId) {
        return jdbc.sql("select who, at from left_alone where record_id = :id")
                .param("id", recordId)
                .query((row, n) ->
                        new Said(row.getString("who"), row.getTimestamp("at").toInstant()))
                .optional();
    }

    /// @throws NotPossibleException when it is not one that Resolve asks about, or nobody knows yet what became of it
    @Transactional
    public void leave(Records.Row record, String who) {
        boolean asked = jdbc.sql("select true from record d where d.id = :id and d.state <> 'Unconfirmed' and "
                        + Records.HELD + " for update")
                .param("id", record.id())
                .query(Boolean.class)
                .optional()
                .orElse(false);
        if (!asked) {
            throw NotPossibleException.conflict(
                    "nothing-to-leave",
                    record.number() + " is in order by now, or what became of it is not known yet; look at it again.");
        }
        int rows = jdbc.sql("""
                insert into left_alone (record_id, who, at) values (:id, :who, :now) on conflict do nothing""")
                .param("id", record.id())
                .param("who", who)
                .param("now", Timestamp.from(clock.instant()))
                .update();
        if (rows > 0) {
            said(record, who, "left-alone");
        }
    }

    /// @throws NotPossibleException when it is not left alone
    @Transactional
    public void lookAfter(Records.Row record, String who) {
        int rows = jdbc.sql("delete from left_alone where record_id = :id")
                .param("id", record.id())
                .update();
        if (rows == 0) {
            throw NotPossibleException.conflict("looked-after", record.number() + " is looked after already.");
        }
        said(record, who, "looked-after-again");
    }

    private void said(Records.Row record, String who, String what) {
        trail.write(record.routeId(), record.id(), who, what, Map.of());
        telling.tell(Topic.RECORDS, record.routeId(), who, record.id());
    }
}
