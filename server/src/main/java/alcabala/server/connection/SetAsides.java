package alcabala.server.connection;

import alcabala.connectors.Unusable;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.trail.Trail;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Records of apps and ledgers that cannot be used. Each waits by itself until a right one of the same name comes, or
/// somebody puts it away; the rest of the feed goes on.
@Component
public class SetAsides {
    private static final String OPEN = """
            select a.id, coalesce(s.name, l.name) as system, a.type, a.name, a.reason, a.raw, a.times, a.first_at, a.last_at
            from set_aside a left join source s on s.id = a.source_id left join ledger l on l.id = a.ledger_id
            where a.settled_at is null""";
    private static final String LATEST = " order by a.last_at desc, a.id desc limit 500";
    private final JdbcClient jdbc;
    private final Trail trail;
    private final Clock clock;

    /// @param system the name of the app or ledger that it came from
    /// @param raw as it came, as far as it can be kept
    public record SetAside(
            long id,
            String system,
            String type,
            String name,
            String reason,
            String raw,
            int times,
            Instant firstAt,
            Instant lastAt) {}

    SetAsides(JdbcClient jdbc, Trail trail, Clock clock) {
        this.jdbc = jdbc;
        this.trail = trail;
        this.clock = clock;
    }

    public void keepOfSource(long sourceId, Unusable record) {
        keep(sourceId, null, record);
    }

    public void keepOfLedger(long ledgerId, Unusable record) {
        keep(null, ledgerId, record);
    }

    private void keep(Long sourceId, Long ledgerId, Unusable record) {
        jdbc.sql("""
                insert into set_aside as s (source_id, ledger_id, type, ref, name, reason, raw, first_at, last_at)
                values (:source, :ledger, :type, :ref, :name, :reason, :raw, :now, :now)
                on conflict (coalesce(source_id, 0), coalesce(ledger_id, 0), type, ref) do update set
                    name = excluded.name, reason = excluded.reason, raw = excluded.raw, times = s.times + 1,
                    last_at = excluded.last_at,
                    settled_at = case when s.raw = excluded.raw then s.settled_at end,
                    settled_by = case when s.raw = excluded.raw then s.settled_by else '' end""")
                .param("source", sourceId, java.sql.Types.BIGINT)
                .param("ledger", ledgerId, java.sql.Types.BIGINT)
                .param("type", record.type())
                .param("ref", record.ref())
                .param("name", record.name())
                .param("reason", record.reason())
                .param("raw", record.raw())
                .param("now", Timestamp.from(clock.instant()))
                .update();
    }

    /// Right ones came since.
    ///
    /// @param documents ids of documents
    /// @param others codes of everything else
    public void settleOfSource(long sourceId, Collection<String> documents, Collection<String> others) {
        settle("source_id = :owner and type = 'document' and ref = any(:refs)", sourceId, documents);
        settle("source_id = :owner and type <> 'document' and ref = any(:refs)", sourceId, others);
    }

    public void settleOfLedger(long ledgerId, Collection<String> documents) {
        settle("ledger_id = :owner and ref = any(:refs)", ledgerId, documents);
    }

    private void settle(String which, long owner, Collection<String> refs) {
        if (!refs.isEmpty()) {
            jdbc.sql("update set_aside set settled_at = :now, settled_by = 'a right one' where settled_at is null and "
                            + which)
                    .param("now", Timestamp.from(clock.instant()))
                    .param("owner", owner)
                    .param("refs", refs.toArray(String[]::new))
                    .update();
        }
    }

    /// Those that wait, the latest first.
    public List<SetAside> open() {
        return jdbc.sql(OPEN + LATEST).query(SetAside.class).list();
    }

    /// Those of one app and one ledger.
    public List<SetAside> openOf(long sourceId, long ledgerId) {
        return jdbc.sql(OPEN + " and (a.source_id = :source or a.ledger_id = :ledger)" + LATEST)
                .param("source", sourceId)
                .param("ledger", ledgerId)
                .query(SetAside.class)
                .list();
    }

    /// Somebody looked at it and wants nothing of it.
    @Transactional
    public void putAway(long id, String who) {
        int rows = jdbc.sql("""
                update set_aside set settled_at = :now, settled_by = :who where id = :id and settled_at is null""")
                .param("now", Timestamp.from(clock.instant()))
                .param("who", who)
                .param("id", id)
                .update();
        if (rows == 0) {
            throw NotPossibleException.conflict("put-away", "It is not there any more.");
        }
        trail.write(null, null, who, "record-put-away", Map.of("record", id));
    }
}
