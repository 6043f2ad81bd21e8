package alcabala.server.crossing;

import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.LocalDate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The day that documents take from their batch, where the route says so.
@Component
public class BatchDates {
    private final JdbcClient jdbc;
    private final Clock clock;

    BatchDates(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /// As it goes in a batch of today; what stands on the ledger keeps the day of the batch in which it went first.
    public LedgerEntry dated(RouteSettings decided, long recordId, LedgerEntry entry) {
        return entry instanceof LedgerDocument && decided.is(Topic.DOCUMENT_DATE, "batch")
                ? entry.onDay(dayOf(recordId))
                : entry;
    }

    private LocalDate dayOf(long recordId) {
        return jdbc.sql("""
                select b.created_at from dispatch p join batch b on b.id = p.batch_id
                where p.record_id = :record and p.ledger_ref is not null order by p.id limit 1""")
                .param("record", recordId)
                .query(Timestamp.class)
                .optional()
                .map(made -> LocalDate.ofInstant(made.toInstant(), clock.getZone()))
                .orElseGet(() -> LocalDate.now(clock));
    }
}
