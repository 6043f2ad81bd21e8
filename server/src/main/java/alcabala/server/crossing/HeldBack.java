package alcabala.server.crossing;

import alcabala.accounting.record.RecordKind;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Records that wait for somebody to send them though their kind goes by itself: they were there already when that was
/// decided, and it was to hold only from the next one on.
@Component
public class HeldBack {
    /// A condition on `record d`.
    public static final String HELD_BACK = " exists (select 1 from held_back h where h.record_id = d.id) ";

    private final JdbcClient jdbc;
    private final Clock clock;

    HeldBack(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /// Those of these kinds that are ready, and that nothing holds back.
    public List<Long> going(long routeId, List<RecordKind> kinds) {
        return jdbc.sql("select id from record d where route_id = :route and kind = any(:kinds) and origin = 'source'"
                        + " and state = 'Ready' and outcome is null and not" + HELD_BACK)
                .param("route", routeId)
                .param("kinds", words(kinds))
                .query(Long.class)
                .list();
    }

    /// All of these kinds that would go by themselves, now or once they are put right. What its source asks the number
    /// of goes all the same. Within the caller's transaction.
    ///
    /// @param but those that went by themselves before
    /// @return how many
    public int hold(long routeId, List<RecordKind> kinds, List<Long> but, String who) {
        return jdbc.sql("""
                insert into held_back (record_id, who, at)
                select id, :who, :now from record
                where route_id = :route and kind = any(:kinds) and origin = 'source' and approved and not voided
                    and (outcome is null or outcome in ('refused', 'unreached')) and id <> all(:but)
                on conflict do nothing""")
                .param("route", routeId)
                .param("kinds", words(kinds))
                .param("but", but.toArray(Long[]::new))
                .param("who", who)
                .param("now", Timestamp.from(clock.instant()))
                .update();
    }

    /// They go as their kind does.
    public void release(long routeId, List<RecordKind> kinds) {
        jdbc.sql("""
                delete from held_back h using record d
                where d.id = h.record_id and d.route_id = :route and d.kind = any(:kinds)""").param("route", routeId).param("kinds", words(kinds)).update();
    }

    private static String[] words(List<RecordKind> kinds) {
        return kinds.stream().map(RecordKind::word).toArray(String[]::new);
    }
}
