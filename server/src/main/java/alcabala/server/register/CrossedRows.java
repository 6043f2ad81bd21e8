package alcabala.server.register;

import alcabala.server.crossing.Frozen;
import alcabala.server.crossing.Postings;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.record.Stored;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Reads what went, and the journal that it made.
@Component
class CrossedRows {
    /// More than a year of a busy yard; what is longer is printed month by month.
    static final int MOST = 20_000;
    private final JdbcClient jdbc;
    private final Postings postings;

    private record Row(
            long postingId,
            long batch,
            String number,
            String party,
            String outcome,
            String there,
            Timestamp answeredAt,
            Long replaced,
            Long replacedPosting,
            String content) {}

    /// What the postings add to an account.
    ///
    /// @param amount minor units of the books' currency; credits negative
    record Booked(String account, long amount) {}

    CrossedRows(JdbcClient jdbc, Postings postings) {
        this.jdbc = jdbc;
        this.postings = postings;
    }

    /// All that went in a batch, in the order in which it went.
    List<Crossed> ofBatch(long batch) {
        return crossed(jdbc.sql(SELECT + "where p.batch_id = :batch order by p.id limit :most")
                .param("batch", batch)
                .param("most", MOST + 1)
                .query(Row.class)
                .list());
    }

    /// What came to stand on the ledger from one moment to before another, or was taken back then.
    List<Crossed> ofPeriod(long route, Instant from, Instant to) {
        return crossed(jdbc.sql(SELECT + """
                where b.route_id = :route and p.outcome = 'posted' and p.answered_at >= :from and p.answered_at < :to
                    and d.origin = 'source'
                order by p.answered_at, p.id limit :most""")
                .param("route", route)
                .param("from", Timestamp.from(from))
                .param("to", Timestamp.from(to))
                .param("most", MOST + 1)
                .query(Row.class)
                .list());
    }

    /// With what each of them took the place of.
    private List<Crossed> crossed(List<Row> rows) {
        if (rows.size() > MOST) {
            throw NotPossibleException.invalid(
                    "too-much-to-print", "That is more than " + MOST + " records; choose a shorter period.");
        }
        Long[] replaced =
                rows.stream().map(Row::replaced).filter(id -> id != null).toArray(Long[]::new);
        Map<Long, Crossed> former = new HashMap<>();
        if (replaced.length > 0) {
            List<Row> found = jdbc.sql(SELECT + "where p.id = any(:ids)")
                    .param("ids", replaced)
                    .query(Row.class)
                    .list();
            crossed(found, new HashMap<>()).forEach(each -> former.put(each.postingId(), each));
        }
        return crossed(rows, former);
    }

    /// @param former by their postings
    private List<Crossed> crossed(List<Row> rows, Map<Long, Crossed> former) {
        Map<Long, Frozen> frozen =
                postings.findAll(rows.stream().map(Row::postingId).toList());
        List<Crossed> crossed = new ArrayList<>(rows.size());
        for (Row row : rows) {
            crossed.add(new Crossed(
                    row.postingId(),
                    row.batch(),
                    row.number(),
                    row.party(),
                    row.outcome(),
                    row.there(),
                    Optional.ofNullable(row.answeredAt())
                            .map(Timestamp::toInstant)
                            .orElse(null),
                    frozen.get(row.postingId()).entry(),
                    Stored.record(row.content()),
                    former.get(row.replacedPosting())));
        }
        return crossed;
    }

    /// By account, in the order of the chart.
    List<Booked> booked(List<Crossed> crossed) {
        return jdbc.sql("""
                select account, sum(amount) as amount from (
                    select account, base_amount as amount from posting_line where posting_id = any(:ids)
                    union all select account, -base_amount from posting_line where posting_id = any(:replaced)) moved
                group by account having sum(amount) <> 0 order by account""")
                .param("ids", crossed.stream().map(Crossed::postingId).toArray(Long[]::new))
                .param(
                        "replaced",
                        crossed.stream()
                                .map(Crossed::replaced)
                                .filter(each -> each != null)
                                .map(Crossed::postingId)
                                .toArray(Long[]::new))
                .query(Booked.class)
                .list();
    }

    /// What was only asked about has no posting: it went in another batch. As its source stated it then; where that is
    /// not kept, as it states it now.
    private static final String SELECT = """
            select p.posting_id, p.batch_id as batch, d.number, d.party_name as party, p.outcome,
                case when p.outcome = 'posted' then coalesce(nullif(d.ledger_number, ''), p.ledger_ref, '') else '' end as there,
                p.answered_at, o.id as replaced, o.posting_id as replaced_posting, v.shape || ' ' || d.kind || ' ' || v.content as content
            from dispatch p join batch b on b.id = p.batch_id join record d on d.id = p.record_id
                join posting q on q.id = p.posting_id
                left join dispatch o on p.read_version is not null and q.kind <> 'cancellation' and o.id = (
                    select max(l.id) from dispatch l where l.record_id = p.record_id and l.id < p.id and l.outcome = 'posted'
                        and l.posting_id is not null)
                join record_revision v on v.id = coalesce((
                    select max(w.id) from record_revision w
                    where w.record_id = d.id and w.revision = p.revision and w.content is not null), d.revision_id)
            """;
}
