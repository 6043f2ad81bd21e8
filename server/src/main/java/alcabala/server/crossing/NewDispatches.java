package alcabala.server.crossing;

import java.sql.Types;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Puts postings of a batch on their way, for the first time or once more.
@Component
public class NewDispatches {
    private final JdbcClient jdbc;

    NewDispatches(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /// @param number of the record, by which others of the batch name it
    /// @param needs the number of what has to go before it; empty for none
    /// @param turn what goes one after the other has the same; empty for what goes at any time
    /// @param undoes the dispatch that it takes back; null for what takes none back
    /// @param keeps of what both changed, the fields that stay as there; null where nothing is kept
    /// @param ruled whether of what was changed there only that stays which the route says is the ledger's
    /// @param asks fields that stay as they were changed there, about which a person is asked still
    public record New(
            long recordId,
            long postingId,
            String number,
            String needs,
            String turn,
            Long undoes,
            Set<String> keeps,
            boolean ruled,
            Set<String> asks) {}

    /// What stands on the other side goes over the version that is known now. What one needs goes before it where it
    /// comes before it in the list, and so does what has its turn before.
    public void insert(long batch, List<New> all) {
        Map<String, Long> inserted = new HashMap<>();
        Map<String, Long> turns = new HashMap<>();
        for (New each : all) {
            long id = jdbc.sql("""
                    insert into dispatch (batch_id, record_id, idempotency_key, outcome, revision, posting_id, after_id, undoes,
                        keeps, ruled, asks, read_version)
                    select :batch, id, :key, 'queued', revision, :posting, :after, :undoes, :keeps, :ruled, :asks,
                        case when ledger_ref is not null and (origin = 'source' or crossed_at is not null) then ledger_version end
                    from record where id = :record returning id""")
                    .param("batch", batch)
                    .param("record", each.recordId())
                    .param("key", UUID.randomUUID())
                    .param("posting", each.postingId())
                    .param("after", turns.getOrDefault(each.turn(), inserted.get(each.needs())), Types.BIGINT)
                    .param("undoes", each.undoes(), Types.BIGINT)
                    .param("keeps", each.keeps() == null ? null : each.keeps().toArray(String[]::new), Types.ARRAY)
                    .param("ruled", each.ruled())
                    .param("asks", each.asks().toArray(String[]::new))
                    .query(Long.class)
                    .single();
            inserted.put(each.number(), id);
            if (!each.turn().isEmpty()) {
                turns.put(each.turn(), id);
            }
        }
    }

    /// What failed on its way, as it is now.
    public void again(long id, int revision, long posting) {
        jdbc.sql("""
                update dispatch set outcome = 'queued', attempts = 0, sentence = '', next_at = null, revision = :revision,
                    posting_id = :posting, version = version + 1
                where id = :id""")
                .param("revision", revision)
                .param("posting", posting)
                .param("id", id)
                .update();
    }

    /// What rests is asked about again.
    ///
    /// @return how many
    public int askAgain(long id) {
        return jdbc.sql("""
                update dispatch set rests = false, attempts = 0, next_at = null, version = version + 1 where id = :id""").param("id", id).update();
    }
}
