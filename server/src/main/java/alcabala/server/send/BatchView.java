package alcabala.server.send;

import alcabala.server.platform.Amounts;
import alcabala.server.platform.DocumentJson;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Shows batches and what became of their documents.
@Component
public class BatchView {
    private final JdbcClient jdbc;

    /// @param undoes the batch that it takes back; null for what takes none back
    /// @param undoneBy the last batch that takes this one, or some of it, back; null where none does
    /// @param ownList the file that the independent total was read from; empty when it was typed, or there is none
    public record BatchJson(
            long id,
            String origin,
            String createdBy,
            Instant createdAt,
            Instant finishedAt,
            String currency,
            int count,
            String net,
            String tax,
            String gross,
            String hashTotal,
            String independentTotal,
            String ownList,
            String reason,
            LocalDate dated,
            Map<String, String> options,
            int revision,
            Long firstId,
            boolean files,
            Long undoes,
            Long undoneBy,
            int posted,
            int refused,
            int unreached,
            int unconfirmed,
            int open) {}

    /// @param undone whether it was taken back since
    /// @param outcome queued, sending, unconfirmed, posted, refused or unreached
    record DispatchJson(
            long documentId,
            String number,
            String kind,
            String party,
            LocalDate issueDate,
            String gross,
            String outcome,
            String refusalCode,
            String sentence,
            String advice,
            String ledgerRef,
            String ledgerNumber,
            UUID key,
            int attempts,
            String state,
            boolean undone) {}

    /// @param asOf the moment to ask with for what moves from now on
    record BatchDetail(BatchJson batch, List<DispatchJson> dispatches, Instant asOf) {}

    /// Who moved one a moment ago may not have committed yet.
    private static final String A_MOMENT = "10 seconds";

    BatchView(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /// The newest hundred.
    ///
    /// @param before only batches before this one; null for all
    List<BatchJson> list(RouteRow route, Long before) {
        return jdbc.sql(BATCH
                        + " where b.route_id = :route and b.id < :before group by b.id order by b.id desc limit 100")
                .param("route", route.id())
                .param("before", before == null ? Long.MAX_VALUE : before)
                .query(BatchView::batch)
                .list();
    }

    /// @param since only dispatches that moved since then; null for all
    BatchDetail detail(long id, Instant since) {
        Instant asOf = jdbc.sql("select now() - cast(:moment as interval)")
                .param("moment", A_MOMENT)
                .query(Timestamp.class)
                .single()
                .toInstant();
        BatchJson batch = head(id);
        List<DispatchJson> dispatches = jdbc.sql("""
                select p.record_id, d.number, d.kind, d.party_name, d.issue_date, d.gross, d.currency, p.outcome, p.refusal_code,
                    p.sentence, p.ledger_ref, d.ledger_number, p.idempotency_key, p.attempts, d.state, exists (
                        select 1 from dispatch u where u.undoes = p.id and u.outcome = 'posted') as undone, l.name as ledger, s.name as source
                from dispatch p join record d on d.id = p.record_id join route r on r.id = d.route_id
                    join ledger l on l.id = r.ledger_id join source s on s.id = r.source_id
                where p.batch_id = :id and p.moved_at >= :since
                order by case p.outcome when 'refused' then 0 when 'unreached' then 1 when 'unconfirmed' then 2
                    when 'posted' then 4 else 3 end, p.id""")
                .param("id", id)
                .param("since", since == null ? new Timestamp(0) : Timestamp.from(since))
                .query(BatchView::dispatch)
                .list();
        return new BatchDetail(batch, dispatches, asOf);
    }

    /// What a batch is, and how far it has come.
    public BatchJson head(long id) {
        return jdbc.sql(BATCH + " where b.id = :id group by b.id")
                .param("id", id)
                .query(BatchView::batch)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("batch " + id));
    }

    private static BatchJson batch(ResultSet row, int n) throws SQLException {
        String currency = row.getString("currency");
        long independent = row.getLong("independent_total");
        boolean typed = !row.wasNull();
        return new BatchJson(
                row.getLong("id"),
                row.getString("origin"),
                row.getString("created_by"),
                row.getTimestamp("created_at").toInstant(),
                row.getTimestamp("finished_at") == null
                        ? null
                        : row.getTimestamp("finished_at").toInstant(),
                currency,
                row.getInt("count"),
                Amounts.decimal(currency, row.getLong("net")),
                Amounts.decimal(currency, row.getLong("tax")),
                Amounts.decimal(currency, row.getLong("gross")),
                row.getBigDecimal("hash_total").toPlainString(),
                typed ? Amounts.decimal(currency, independent) : "",
                row.getString("own_list"),
                row.getString("reason"),
                row.getObject("dated_on", LocalDate.class),
                DocumentJson.map(row.getString("options")),
                row.getInt("revision"),
                row.getObject("first_id", Long.class),
                row.getBoolean("files"),
                row.getObject("undoes", Long.class),
                row.getObject("undone_by", Long.class),
                row.getInt("posted"),
                row.getInt("refused"),
                row.getInt("unreached"),
                row.getInt("unconfirmed"),
                row.getInt("open"));
    }

    private static DispatchJson dispatch(ResultSet row, int n) throws SQLException {
        return new DispatchJson(
                row.getLong("record_id"),
                row.getString("number"),
                row.getString("kind"),
                row.getString("party_name"),
                row.getObject("issue_date", LocalDate.class),
                Amounts.decimal(row.getString("currency"), row.getLong("gross")),
                row.getString("outcome"),
                row.getString("refusal_code"),
                row.getString("sentence"),
                Advice.forRefusal(row.getString("refusal_code"), row.getString("source"), row.getString("ledger")),
                row.getString("ledger_ref") == null ? "" : row.getString("ledger_ref"),
                row.getString("ledger_number") == null ? "" : row.getString("ledger_number"),
                row.getObject("idempotency_key", UUID.class),
                row.getInt("attempts"),
                row.getString("state"),
                row.getBoolean("undone"));
    }

    private static final String BATCH = """
            select b.id, b.origin, b.created_by, b.created_at, b.finished_at, b.currency, b.count, b.net, b.tax, b.gross, b.hash_total,
                b.independent_total, b.reason, b.dated_on, b.options, b.revision, b.first_id,
                exists (select 1 from batch_file f where f.batch_id = b.id) as files,
                b.undoes, (select max(u.id) from batch u where u.undoes = b.id) as undone_by,
                coalesce((select o.file_name from own_list o where o.id = b.own_list_id), '') as own_list,
                count(*) filter (where p.outcome = 'posted') as posted,
                count(*) filter (where p.outcome = 'refused') as refused,
                count(*) filter (where p.outcome = 'unreached') as unreached,
                count(*) filter (where p.outcome = 'unconfirmed') as unconfirmed,
                count(*) filter (where p.outcome in ('queued', 'sending')) as open
            from batch b left join dispatch p on p.batch_id = b.id""";
}
