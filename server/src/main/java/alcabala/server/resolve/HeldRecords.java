package alcabala.server.resolve;

import alcabala.accounting.record.RecordKind;
import alcabala.server.record.Records;
import alcabala.server.route.RouteRow;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Records of a route that were sent and do not stand as they should: refused, without an answer, not reached, or
/// changed since on either side.
@Component
class HeldRecords {
    /// More than anybody goes through; the longest held come first.
    private static final int MOST = 10_000;
    private final JdbcClient jdbc;

    /// @param cause `refused:` with the ledger's code, or one word for what happened, as the side sees it that made it;
    /// after `back:` where it was entered on the ledger and is on its way to its source
    /// @param said by the ledger; empty where it said nothing
    /// @param gross minor units, negative for what is given back
    /// @param batch in which it went last; 0 for none
    /// @param since when it began
    record Held(
            long id,
            String cause,
            String said,
            String number,
            RecordKind kind,
            String party,
            LocalDate date,
            String currency,
            long gross,
            int ledgerVersion,
            long batch,
            Instant since) {}

    HeldRecords(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    List<Held> of(RouteRow route) {
        return jdbc.sql("""
                select d.id, d.number, d.kind, d.party_name, d.issue_date, d.currency, signed(d.kind, d.gross) as gross,
                    coalesce(d.ledger_version, 0) as ledger_version, coalesce(p.batch_id, 0) as batch,
                    coalesce(p.sentence, '') as said,
                    case when d.origin = 'ledger' and (d.state <> 'Diverged' or d.gone <> '' or d.refusal <> '')
                        then 'back:' else '' end || case
                        when d.gone = d.origin then 'gone-here'
                        when d.gone <> '' then 'gone-there'
                        when d.state = 'Refused' then 'refused:' || d.refusal
                        when d.state = 'Unconfirmed' then 'unconfirmed'
                        when d.state <> 'Diverged' then 'unreached'
                        when d.origin = 'ledger' and d.refusal <> '' then 'refused:' || d.refusal
                        when d.voided then 'voided-here'
                        when coalesce(cast(l.ledger_now->'settlement'->>'voided' as boolean),
                            cast(l.ledger_now->>'taken' as boolean), false) then 'voided-there'
                        when d.ledger_differs and d.revision > d.outcome_revision then 'changed-both'
                        when d.ledger_differs then 'changed-there'
                        when d.refusal = 'not-together' then 'not-together'
                        else 'changed-here' end as cause,
                    coalesce(g.at, case when d.state <> 'Diverged' then p.moved_at when d.ledger_differs then l.seen_at end,
                        v.received_at) as since
                from record d join record_revision v on v.id = d.revision_id
                    left join link l on l.record_id = d.id
                    left join lateral (
                        select moved_at, sentence, batch_id from dispatch where record_id = d.id order by id desc limit 1) p on true
                    left join lateral (
                        select at from trail where record_id = d.id and action = 'gone' and d.gone <> ''
                        order by id desc limit 1) g on true
                where d.route_id = :route and""" + " " + Records.HELD + """
                order by since, d.id limit :most""")
                .param("route", route.id())
                .param("most", MOST)
                .query((row, n) -> new Held(
                        row.getLong("id"),
                        row.getString("cause"),
                        row.getString("said"),
                        row.getString("number"),
                        RecordKind.of(row.getString("kind")),
                        row.getString("party_name"),
                        row.getObject("issue_date", LocalDate.class),
                        row.getString("currency"),
                        row.getLong("gross"),
                        row.getInt("ledger_version"),
                        row.getLong("batch"),
                        row.getTimestamp("since").toInstant()))
                .list();
    }
}
