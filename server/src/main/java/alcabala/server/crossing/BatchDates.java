package alcabala.server.crossing;

import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The day that documents take from their batch: the one that somebody gave it, or that on which it was made, where the
/// route says so.
@Component
public class BatchDates {
    private final JdbcClient jdbc;
    private final Clock clock;

    private record First(LocalDate dated, Timestamp madeAt) {}

    BatchDates(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /// As it goes in a batch of today; what stands on the ledger keeps the day of the batch in which it went first.
    ///
    /// @param given the day of the batch; null where nobody gave one
    public LedgerEntry dated(RouteSettings decided, long recordId, LedgerEntry entry, LocalDate given) {
        if (!(entry instanceof LedgerDocument document)) {
            return given == null ? entry : entry.onDay(given);
        }
        Optional<First> first = first(recordId);
        Optional<LocalDate> before = first.map(First::dated);
        if (before.isPresent() || first.isEmpty() && given != null) {
            return entry.onDay(before.orElse(given));
        }
        return decided.is(Topic.DOCUMENT_DATE, document.kind(), "batch")
                ? entry.onDay(
                        first.map(made -> LocalDate.ofInstant(made.madeAt().toInstant(), clock.getZone()))
                                .orElseGet(() -> LocalDate.now(clock)))
                : entry;
    }

    /// The day that somebody gave a batch; null where nobody did.
    public LocalDate given(long batch) {
        return jdbc.sql("select dated_on from batch where id = :id")
                .param("id", batch)
                .query((row, n) -> Optional.ofNullable(row.getObject("dated_on", LocalDate.class)))
                .single()
                .orElse(null);
    }

    private Optional<First> first(long recordId) {
        return jdbc.sql("""
                select b.dated_on as dated, b.created_at as made_at from dispatch p join batch b on b.id = p.batch_id
                where p.record_id = :record and p.ledger_ref is not null and p.id > coalesce((select max(u.id) from dispatch u
                        where u.record_id = :record and u.undoes is not null and u.outcome = 'posted'), 0)
                order by p.id limit 1""").param("record", recordId).query(First.class).optional();
    }
}
