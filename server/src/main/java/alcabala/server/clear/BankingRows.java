package alcabala.server.clear;

import alcabala.accounting.settlement.Banking;
import alcabala.server.record.Records;
import alcabala.server.route.RouteRow;
import java.time.LocalDate;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Bankings with the records that they are, and what came up with them since.
@Component
class BankingRows {
    private final JdbcClient jdbc;
    private final BankingStore store;
    private final Records records;

    /// @param batch the last in which it went; null for one that never did
    /// @param wrong how many of its receipts were voided, or come to another amount since
    record Made(BankingRow row, Records.Row record, Banking banking, Long batch, int wrong) {}

    private record Since(Long batch, int wrong) {}

    BankingRows(JdbcClient jdbc, BankingStore store, Records records) {
        this.jdbc = jdbc;
        this.store = store;
        this.records = records;
    }

    List<Made> ofYear(RouteRow route, int year) {
        return store.between(route, LocalDate.of(year, 1, 1), LocalDate.of(year, 12, 31)).stream()
                .map(this::of)
                .toList();
    }

    Made of(BankingRow row) {
        Since since = jdbc.sql("select (select max(batch_id) from dispatch where record_id = :id) as batch, (" + WRONG
                        + " and p.banking_id = :id) as wrong")
                .param("id", row.recordId())
                .query(Since.class)
                .single();
        return new Made(
                row,
                records.get(row.recordId()),
                (Banking) records.record(row.recordId()),
                since.batch(),
                since.wrong());
    }

    /// How many receipts of all bankings of a route are not as they were taken to the bank.
    int wrong(RouteRow route) {
        return jdbc.sql(WRONG + " and b.route_id = :route")
                .param("route", route.id())
                .query(Integer.class)
                .single();
    }

    private static final String WRONG = """
            select count(*) from banking_receipt p join banking b on b.record_id = p.banking_id
                join record d on d.id = p.receipt_id
                join allocation a on a.record_id = p.banking_id and a.number = d.number and a.kind = d.kind
            where (d.voided or d.outcome = 'cancelled' or abs(a.settled) <> d.gross)""";
}
