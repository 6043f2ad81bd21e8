package alcabala.server.clear;

import alcabala.accounting.settlement.Banking;
import alcabala.server.record.Records;
import alcabala.server.record.Stored;
import alcabala.server.route.RouteRow;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Bankings with the records that they are, and what came up with them since.
@Component
class BankingRows {
    /// What holds up a banking in one of these can be said in a sentence.
    private static final Set<String> HELD_UP = Set.of("Blocked", "Refused");
    private final JdbcClient jdbc;
    private final Records records;

    /// @param ledgerNumber empty for what is not there
    /// @param sentence what holds it up; empty when nothing does
    /// @param batch the last in which it went; null for one that never did
    /// @param wrong how many of its receipts were voided, or come to another amount since
    record Made(
            BankingRow row,
            Banking banking,
            String state,
            int revision,
            String ledgerNumber,
            String sentence,
            Long batch,
            int wrong) {}

    BankingRows(JdbcClient jdbc, Records records) {
        this.jdbc = jdbc;
        this.records = records;
    }

    List<Made> ofYear(RouteRow route, int year) {
        return jdbc.sql(SELECT + """
                where b.route_id = :route and b.banked_on between :from and :to order by b.banked_on desc, b.record_id desc""")
                .param("route", route.id())
                .param("from", LocalDate.of(year, 1, 1))
                .param("to", LocalDate.of(year, 12, 31))
                .query(this::made)
                .list();
    }

    Made of(BankingRow row) {
        return jdbc.sql(SELECT + "where b.record_id = :id")
                .param("id", row.recordId())
                .query(this::made)
                .single();
    }

    private Made made(ResultSet row, int n) throws SQLException {
        long id = row.getLong("record_id");
        String state = row.getString("state");
        String number = row.getString("ledger_number");
        return new Made(
                new BankingRow(
                        id,
                        row.getLong("route_id"),
                        row.getString("account"),
                        row.getObject("banked_on", LocalDate.class),
                        row.getString("made_by"),
                        row.getTimestamp("made_at").toInstant(),
                        row.getString("withdrawn"),
                        row.getInt("version")),
                (Banking) Stored.record(row.getString("content")),
                state,
                row.getInt("revision"),
                number == null ? "" : number,
                HELD_UP.contains(state) ? records.get(id).said().text() : "",
                row.getObject("batch", Long.class),
                row.getInt("wrong"));
    }

    /// How many receipts of all bankings of a route are not as they were taken to the bank.
    int wrong(RouteRow route) {
        return jdbc.sql("select coalesce(sum((select count(*) from " + WRONG
                        + ")), 0) from banking b where b.route_id = :route")
                .param("route", route.id())
                .query(Integer.class)
                .single();
    }

    /// Receipts that are not as their banking `b` took them.
    private static final String WRONG = """
            banking_receipt p join record r on r.id = p.receipt_id
                join allocation a on a.record_id = p.banking_id and a.number = r.number and a.kind = r.kind
                where p.banking_id = b.record_id and b.withdrawn = ''
                    and (r.voided or r.outcome = 'cancelled' or abs(a.settled) <> r.gross)""";
    private static final String SELECT = """
            select b.record_id, b.route_id, b.account, b.banked_on, b.made_by, b.made_at, b.withdrawn, b.version,
                d.state, d.revision, d.ledger_number, (select max(p.batch_id) from dispatch p where p.record_id = d.id) as batch,
                (select count(*) from\s""" + WRONG + ") as wrong, " + Stored.COLUMN
            + " from banking b join record d on d.id = b.record_id" + Stored.JOIN;
}
