package alcabala.server.clear;

import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Which bankings there are, and which receipts each takes: a receipt once.
@Component
class BankingStore {
    private static final String COLUMNS =
            "select record_id, route_id, account, banked_on, made_by, made_at, withdrawn, version from banking ";
    private final JdbcClient jdbc;

    BankingStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    BankingRow get(long id) {
        return jdbc.sql(COLUMNS + "where record_id = :id")
                .param("id", id)
                .query(BankingRow.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("Banking " + id));
    }

    Optional<BankingRow> find(RouteRow route, String account, LocalDate day) {
        return jdbc.sql(COLUMNS + "where route_id = :route and account = :account and banked_on = :day")
                .param("route", route.id())
                .param("account", account)
                .param("day", day)
                .query(BankingRow.class)
                .optional();
    }

    List<Integer> years(RouteRow route) {
        return jdbc.sql(
                        "select distinct cast(extract(year from banked_on) as int) from banking where route_id = :route order by 1 desc")
                .param("route", route.id())
                .query(Integer.class)
                .list();
    }

    void add(long id, RouteRow route, String account, LocalDate day, String who, Instant now) {
        jdbc.sql("""
                insert into banking (record_id, route_id, account, banked_on, made_by, made_at)
                values (:id, :route, :account, :day, :who, :now)""")
                .param("id", id)
                .param("route", route.id())
                .param("account", account)
                .param("day", day)
                .param("who", who)
                .param("now", Timestamp.from(now))
                .update();
    }

    /// Compare-and-set on the version that somebody saw.
    ///
    /// @param withdrawn why it is; empty where it stands
    void change(BankingRow seen, int version, String withdrawn) {
        int rows = jdbc.sql("""
                update banking set withdrawn = :withdrawn, version = version + 1 where record_id = :id and version = :version""")
                .param("withdrawn", withdrawn)
                .param("id", seen.recordId())
                .param("version", version)
                .update();
        if (rows != 1) {
            throw NotPossibleException.conflict(
                    "banking-changed", "Somebody changed this banking meanwhile; look at it again.");
        }
    }

    /// In the place of what it took before, and of what bankings took that are gone.
    void take(long id, Collection<Long> receipts) {
        jdbc.sql("""
                delete from banking_receipt p where p.banking_id = :id or (p.receipt_id = any(:receipts)
                    and not exists (select 1 from banked b where b.receipt_id = p.receipt_id))""")
                .param("id", id)
                .param("receipts", receipts.toArray(Long[]::new))
                .update();
        jdbc.sql("insert into banking_receipt (receipt_id, banking_id) select unnest(cast(:receipts as bigint[])), :id")
                .param("receipts", receipts.toArray(Long[]::new))
                .param("id", id)
                .update();
    }

    List<Long> taken(long id) {
        return jdbc.sql("select receipt_id from banking_receipt where banking_id = :id")
                .param("id", id)
                .query(Long.class)
                .list();
    }

    /// The receipts among these that another banking takes, with its number.
    Map<Long, String> takenElsewhere(long id, Collection<Long> receipts) {
        Map<Long, String> taken = new HashMap<>();
        jdbc.sql("""
                select b.receipt_id, d.number from banked b join record d on d.id = b.banking_id
                where b.receipt_id = any(:receipts) and b.banking_id <> :id""")
                .param("receipts", receipts.toArray(Long[]::new))
                .param("id", id)
                .query(row -> {
                    taken.put(row.getLong("receipt_id"), row.getString("number"));
                });
        return taken;
    }
}
