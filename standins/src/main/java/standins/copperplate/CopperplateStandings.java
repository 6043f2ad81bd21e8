package standins.copperplate;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What stood on its accounts of customers and suppliers, and on those that journals moved, at the end of a day, and
/// which of its entries were open then. A journal settles what it names by number, on the account of that party.
@Component
public class CopperplateStandings {
    private final JdbcClient jdbc;

    public record Account(String account, BigDecimal balance) {}

    /// @param open in the currency of the entry
    /// @param openInBooks the same in that of the books
    public record Open(
            String number,
            String kind,
            String document,
            LocalDate date,
            LocalDate due,
            String party,
            String name,
            String currency,
            BigDecimal net,
            BigDecimal tax,
            BigDecimal gross,
            BigDecimal open,
            BigDecimal openInBooks,
            String reference) {}

    CopperplateStandings(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /// Debits are positive.
    public List<Account> accounts(LocalDate on) {
        return jdbc.sql("""
                with moved as (
                    select r.account, r.amount * e.rate as amount from copperplate_row r join copperplate_entry e on e.number = r.entry
                    where e.layout = 'journals' and not e.void and e.date <= :on
                    union all
                    select a.code, case when e.kind in ('invoice', 'supplier credit') then e.gross else -e.gross end * e.rate
                    from copperplate_entry e join copperplate_account a
                        on a.class = case when e.kind in ('invoice', 'credit note') then 'receivable' else 'payable' end
                    where e.layout <> 'journals' and not e.void and e.date <= :on)
                select account, round(sum(amount), 2) as balance from moved group by account order by account""").param("on", on).query(Account.class).list();
    }

    public List<Open> open(LocalDate on) {
        return jdbc
                .sql("""
                with standing as (
                    select e.*, case when e.kind in ('invoice', 'supplier credit') then 1 else -1 end as sign,
                        case when e.kind in ('invoice', 'credit note') then 'receivable' else 'payable' end as class
                    from copperplate_entry e where e.layout <> 'journals' and not e.void and e.date <= :on)
                select s.number, s.kind, s.document, s.date, s.due, s.party, coalesce(p.name, '') as name, s.currency, s.net, s.tax, s.gross,
                    s.gross + s.sign * coalesce((
                        select sum(r.amount) from copperplate_row r join copperplate_entry j on j.number = r.entry
                            join copperplate_account a on a.code = r.account
                        where j.layout = 'journals' and not j.void and j.date <= :on and a.class = s.class and r.party = s.party
                            and r.settles in (s.document, s.number)), 0) as open, s.reference, s.rate
                from standing s left join copperplate_party p on p.number = s.party order by s.number""")
                .param("on", on)
                .query((row, n) -> new Open(
                        row.getString("number"),
                        row.getString("kind"),
                        row.getString("document"),
                        row.getObject("date", LocalDate.class),
                        row.getObject("due", LocalDate.class),
                        row.getString("party"),
                        row.getString("name"),
                        row.getString("currency"),
                        row.getBigDecimal("net"),
                        row.getBigDecimal("tax"),
                        row.getBigDecimal("gross"),
                        row.getBigDecimal("open"),
                        row.getBigDecimal("open")
                                .multiply(row.getBigDecimal("rate"))
                                .setScale(2, RoundingMode.HALF_UP),
                        row.getString("reference")))
                .list()
                .stream()
                .filter(each -> each.open().signum() != 0)
                .toList();
    }
}
