package alcabala.server.crossing;

import java.util.List;
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

    /// What stands on the ledger goes over the version that is known now.
    ///
    /// @param postings in the order of the records
    public void insert(long batch, List<Long> records, List<Long> postings) {
        for (int i = 0; i < records.size(); i++) {
            jdbc.sql("""
                    insert into dispatch (batch_id, record_id, idempotency_key, outcome, revision, posting_id, read_version)
                    select :batch, id, :key, 'queued', revision, :posting, case when ledger_ref is not null then ledger_version end
                    from record where id = :record""")
                    .param("batch", batch)
                    .param("record", records.get(i))
                    .param("key", UUID.randomUUID())
                    .param("posting", postings.get(i))
                    .update();
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
