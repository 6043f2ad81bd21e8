package alcabala.server.crossing;

import alcabala.server.platform.News.Topic;
import alcabala.server.platform.Telling;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// What of a batch is open, what of it is next, and how often in a row its ledger did not answer.
@Component
class Queue {
    private final JdbcClient jdbc;
    private final Telling telling;
    private final Clock clock;

    Queue(JdbcClient jdbc, Telling telling, Clock clock) {
        this.telling = telling;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    Dispatch get(long id) {
        return jdbc.sql(Dispatch.SELECT + "where p.id = :id")
                .param("id", id)
                .query(Dispatch.class)
                .single();
    }

    List<Dispatch> findOpen(long batchId) {
        return jdbc.sql(Dispatch.SELECT + """
                where p.batch_id = :batch and p.outcome in ('sending', 'unconfirmed', 'queued') and not p.rests order by p.id""")
                .param("batch", batchId)
                .query(Dispatch.class)
                .list();
    }

    /// What a dispatch `p` needs of its own batch is still open.
    private static final String NEEDS_ANOTHER = """
            exists (select 1 from dispatch o
                where o.id = p.after_id and o.outcome in ('sending', 'unconfirmed', 'queued') and not o.rests)""";

    private static final String IN_TURN =
            " order by p.outcome = 'sending' desc, p.outcome = 'unconfirmed' desc, p.next_at nulls first, p.id";
    /// Found by themselves first: to join all that are open, for the few that are next, took longer than to send them.
    private static final String DUE = """
            from dispatch p
            where p.batch_id = :batch and p.outcome in ('sending', 'unconfirmed', 'queued') and not p.rests
                and (p.next_at is null or p.next_at <= :now) and p.id <> all(:underWay)
                and not\s""" + NEEDS_ANOTHER + IN_TURN + " limit :most";

    /// Those of a batch that are due. What was on the wire when a process died comes first, then what has to be asked
    /// about, since no more should be sent blindly; then what was not tried yet, so that one that fails does
    /// not hold up the others. What needs another of the batch waits until that has been tried.
    ///
    /// @param underWay those that are being worked on
    List<Dispatch> findDue(long batchId, Long[] underWay, int most) {
        return jdbc.sql(Dispatch.SELECT + "where p.id = any(array(select p.id " + DUE + "))" + IN_TURN)
                .param("batch", batchId)
                .param("now", Timestamp.from(clock.instant()))
                .param("underWay", underWay)
                .param("most", most)
                .query(Dispatch.class)
                .list();
    }

    /// How long until the next one of a batch is due that does not need another first; empty when nothing of it is
    /// open.
    Optional<Duration> findWait(long batchId) {
        Instant now = clock.instant();
        return jdbc.sql("""
                        select min(coalesce(p.next_at, :now)) from dispatch p
                        where p.batch_id = :batch and p.outcome in ('sending', 'unconfirmed', 'queued') and not p.rests
                            and not\s""" + NEEDS_ANOTHER + " having count(*) > 0")
                .param("batch", batchId)
                .param("now", Timestamp.from(now))
                .query(Timestamp.class)
                .optional()
                .map(due -> Duration.between(now, due.toInstant()))
                .map(wait -> wait.isNegative() ? Duration.ZERO : wait);
    }

    /// Whether it left as files: nobody is asked then, and a file tells what became of it.
    boolean isOfFiles(long batchId) {
        return jdbc.sql("select exists (select 1 from batch_file where batch_id = :batch)")
                .param("batch", batchId)
                .query(Boolean.class)
                .single();
    }

    /// The ledger asked to be left alone: by all lanes, and all servers.
    void pause(long ledgerId, Duration pause) {
        jdbc.sql("update ledger set paused_until = greatest(coalesce(paused_until, :until), :until) where id = :id")
                .param("until", Timestamp.from(clock.instant().plus(pause)))
                .param("id", ledgerId)
                .update();
    }

    /// How long it still is to be left alone; zero when it is not.
    Duration findPause(long ledgerId) {
        return jdbc.sql("select paused_until from ledger where id = :id and paused_until > :now")
                .param("id", ledgerId)
                .param("now", Timestamp.from(clock.instant()))
                .query(Timestamp.class)
                .optional()
                .map(until -> Duration.between(clock.instant(), until.toInstant()))
                .filter(left -> left.isPositive())
                .orElse(Duration.ZERO);
    }

    /// The ledger answers.
    void reached(long batchId) {
        jdbc.sql("update batch set failures = 0 where id = :id and failures > 0")
                .param("id", batchId)
                .update();
    }

    /// How often in a row it did not, this time included.
    int missed(long batchId) {
        return jdbc.sql("update batch set failures = failures + 1 where id = :id returning failures")
                .param("id", batchId)
                .query(Integer.class)
                .single();
    }

    /// Finished when nothing of it is open; done once.
    @Transactional
    void finish(long batchId) {
        jdbc.sql("""
                update batch set finished_at = :now where id = :id and finished_at is null and not exists (
                    select 1 from dispatch where batch_id = :id and outcome in ('queued', 'sending', 'unconfirmed') and not rests)""")
                .param("now", Timestamp.from(clock.instant()))
                .param("id", batchId)
                .update();
        telling.tell(Topic.BATCHES, null, null, batchId);
    }
}
