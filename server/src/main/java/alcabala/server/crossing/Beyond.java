package alcabala.server.crossing;

import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.route.RouteRow;
import java.math.BigDecimal;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// What a ledger has under our references that we know nothing of having sent: after an older state was put back, or
/// after whatever else made us forget. What belongs to a document of ours is asked for as after a lost answer, and so
/// comes to stand as posted; the rest waits until its document is fetched again.
@Component
public class Beyond {
    private final JdbcClient jdbc;
    private final Found found;
    private final Clock clock;

    /// @param reference our name for it there
    /// @param gross as a decimal number in the ledger's currency
    public record Known(String number, String reference, String kind, LocalDate date, String gross) {}

    Beyond(JdbcClient jdbc, Found found, Clock clock) {
        this.jdbc = jdbc;
        this.found = found;
        this.clock = clock;
    }

    /// A document as the ledger tells of it, which no document of ours is linked to.
    void note(RouteRow route, LedgerRecord record) {
        if (record.externalReference() == null) {
            return;
        }
        jdbc.sql("""
                insert into beyond (ledger_id, ledger_ref, reference, number, kind, date, gross, seen_at)
                select :ledger, :ref, :reference, :number, :kind, :date, :gross, :now
                where exists (select 1 from source where starts_with(:reference, lower(name) || ':'))
                    and not exists (select 1 from apart x where x.ledger_id = :ledger and x.ledger_ref = :ref)
                on conflict (ledger_id, ledger_ref) do update set number = excluded.number, gross = excluded.gross""")
                .param("ledger", route.ledgerId())
                .param("ref", record.id())
                .param("reference", record.externalReference())
                .param("number", record.number())
                .param("kind", record.kind())
                .param("date", record.date())
                .param("gross", record.gross())
                .param("now", Timestamp.from(clock.instant()))
                .update();
    }

    private record Claim(long routeId, long recordId) {}

    /// Documents of ours that it turned out to have. Those on their way find out by themselves.
    ///
    /// @return how many are asked about now
    @Transactional
    public int claim(long ledgerId, String who) {
        jdbc.sql("""
                delete from beyond b where ledger_id = :ledger and (exists (
                    select 1 from link l where l.ledger_id = b.ledger_id and l.ledger_ref = b.ledger_ref) or exists (
                    select 1 from apart x where x.ledger_id = b.ledger_id and x.ledger_ref = b.ledger_ref))""").param("ledger", ledgerId).update();
        Map<Long, List<Claim>> claims = jdbc.sql("""
                select d.route_id, d.id as record_id from beyond b
                join route r on r.ledger_id = b.ledger_id join source s on s.id = r.source_id
                join record d on d.route_id = r.id and lower(s.name) || ':' || d.source_ref = b.reference
                where b.ledger_id = :ledger and not exists (select 1 from link l where l.record_id = d.id)
                    and (d.outcome is null or d.outcome in ('refused', 'unreached'))
                order by d.id for update of d""").param("ledger", ledgerId).query(Claim.class).list().stream()
                .collect(Collectors.groupingBy(Claim::routeId));
        claims.forEach(
                (route, of) -> found.ask(route, of.stream().map(Claim::recordId).toList(), who));
        return claims.values().stream().mapToInt(List::size).sum();
    }

    /// What waits for its document, newest first.
    public List<Known> of(long ledgerId) {
        return jdbc.sql("""
                select number, reference, kind, date, gross from beyond b where ledger_id = :ledger and not exists (
                    select 1 from link l where l.ledger_id = b.ledger_id and l.ledger_ref = b.ledger_ref)
                order by date desc, number desc limit 200""")
                .param("ledger", ledgerId)
                .query((row, n) -> new Known(
                        row.getString("number"),
                        row.getString("reference"),
                        row.getString("kind"),
                        row.getDate("date").toLocalDate(),
                        plain(row.getBigDecimal("gross"))))
                .list();
    }

    private static String plain(BigDecimal amount) {
        return amount.toPlainString();
    }
}
