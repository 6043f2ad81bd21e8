package alcabala.server.send;

import alcabala.accounting.record.RecordKind;
import alcabala.server.platform.Amounts;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What a batch put onto the ledger, and of each whether it can be taken back.
@Component
class Undoable {
    private static final String OPEN = "('queued', 'sending', 'unconfirmed', 'posted')";
    private final JdbcClient jdbc;

    /// @param dispatchId by which it went
    /// @param elsewhere whether it stands on another ledger than its route leads to
    /// @param latest the batch in which it went last
    /// @param settledBy the number of what settles or uses it; empty where nothing does
    /// @param paid minor units, as is gross
    record Gone(
            long dispatchId,
            long postingId,
            long recordId,
            String sourceRef,
            int revision,
            String number,
            String kind,
            String party,
            String currency,
            long gross,
            long paid,
            String outcome,
            boolean differs,
            long latest,
            boolean undone,
            boolean elsewhere,
            String settledBy) {
        /// Why it stays; empty for what can be taken back.
        ///
        /// @param ledger as people call it
        Optional<String> stays(long batch, String ledger) {
            if (undone) {
                return Optional.of("It is taken back already.");
            }
            if (elsewhere) {
                return Optional.of("It stands on another ledger than the route leads to now.");
            }
            if (latest != batch) {
                return Optional.of("It went again in batch " + latest + "; take that one back.");
            }
            return switch (outcome == null ? "" : outcome) {
                case "posted" -> staysThere(ledger);
                case "cancelled" -> Optional.of("It is void there already.");
                case "" -> Optional.of("It was unlinked from what stands there.");
                default -> Optional.of("It is on its way; wait until it is settled.");
            };
        }

        private Optional<String> staysThere(String ledger) {
            if (differs) {
                return Optional.of("It was changed on " + ledger + " since; settle that first.");
            }
            if (!settledBy.isEmpty()) {
                return Optional.of(settledBy + (isDocument() ? " settles it" : " uses it") + "; take that back first.");
            }
            return paid == 0 || !isDocument()
                    ? Optional.empty()
                    : Optional.of("%s of it is settled on %s; what settles it is taken back there first."
                            .formatted(Amounts.shown(Amounts.money(currency, paid)), ledger));
        }

        private boolean isDocument() {
            return RecordKind.of(kind).isDocument();
        }
    }

    Undoable(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /// Those of a batch that came to stand there, the last one first, as they are taken back.
    List<Gone> of(long batch) {
        return jdbc.sql("""
                select p.id as dispatch_id, p.posting_id, d.id as record_id, d.source_ref, d.revision, d.number, d.kind,
                    d.party_name as party, d.currency, d.gross, d.paid, d.outcome, d.ledger_differs as differs,
                    (select l.batch_id from dispatch l where l.record_id = d.id and l.undoes is null and l.outcome in\s""" + OPEN + """
                        order by l.id desc limit 1) as latest,
                    exists (select 1 from dispatch u where u.undoes = p.id and u.outcome in\s""" + OPEN + """
                        ) as undone,
                    d.outcome = 'posted' and not exists (select 1 from link l join route r on r.ledger_id = l.ledger_id
                        where l.record_id = d.id and r.id = d.route_id) as elsewhere,
                    coalesce((select s.number from allocation a join record s on s.id = a.record_id
                        where a.number = d.number and a.kind = d.kind and s.source_id = d.source_id
                            and s.outcome in\s""" + OPEN + """
                        order by s.id limit 1), '') as settled_by
                from dispatch p join record d on d.id = p.record_id
                where p.batch_id = :batch and p.outcome = 'posted' and p.posting_id is not null and p.undoes is null and d.origin = 'source'
                order by p.id desc""")
                .param("batch", batch)
                .query(Gone.class)
                .list();
    }
}
