package standins.inkwell;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What stood on the accounts at the end of a day, and what was open then.
@Component
public class OpenItems {
    private final JdbcClient jdbc;
    private final Posting posting;

    /// @param open of it, in its own currency
    /// @param baseOpen in that of the books
    public record Open(String id, Books.Document document, BigDecimal open, BigDecimal baseOpen) {}

    private record Row(String id, BigDecimal open, BigDecimal baseOpen) {}

    OpenItems(JdbcClient jdbc, Posting posting) {
        this.jdbc = jdbc;
        this.posting = posting;
    }

    /// @param on null for all that is booked
    public List<Books.Balance> balances(LocalDate on) {
        return jdbc.sql("""
                select a.code, a.name, a.type, coalesce(sum(l.debit), 0.00) as debit, coalesce(sum(l.credit), 0.00) as credit,
                    coalesce(sum(l.debit - l.credit), 0.00) as balance
                from inkwell_account a left join (
                    select l.* from inkwell_journal_line l join inkwell_journal j on j.id = l.journal
                    where j.date <= coalesce(cast(:on as date), 'infinity')) l on l.account = a.code
                group by a.code, a.name, a.type order by a.code""").param("on", on).query(Books.Balance.class).list();
    }

    /// In the order of their ids. What was paid later was open still.
    List<Open> of(LocalDate on, String after, int limit) {
        return jdbc
                .sql("""
                select * from (
                    select d.id, d.gross - d.paid + coalesce(later.settled, 0) as open,
                        round((d.gross - d.paid + coalesce(later.settled, 0)) * d.rate, 2) as base_open
                    from inkwell_document d left join lateral (
                        select sum(case when p.kind in ('returned-in', 'returned-out') then -1 else 1 end * (coalesce(a.worth, a.money)
                            + coalesce((select sum(x.amount) from inkwell_deduction x where x.payment = a.payment and x.no = a.no), 0)))
                            as settled
                        from inkwell_allocation a join inkwell_payment p on p.id = a.payment
                        where a.document = d.id and p.date > :on and not p.voided) later on true
                    where d.status = 'final' and d.date <= :on and d.id > :after) o
                where o.open <> 0 order by o.id limit :limit""")
                .param("on", on)
                .param("after", after)
                .param("limit", limit)
                .query(Row.class)
                .list()
                .stream()
                .map(row -> new Open(row.id(), posting.get(row.id()), row.open(), row.baseOpen()))
                .toList();
    }
}
