package alcabala.server.clear;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Means;
import alcabala.accounting.settlement.Settlement;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.record.Refs;
import alcabala.server.record.Stored;
import alcabala.server.route.RouteRow;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What was received and waits to be taken to the bank: the settlements whose means the route puts on the account of
/// what awaits banking. All other means arrive at the bank by themselves.
@Component
class ToBank {
    /// More than a person takes to the bank at once.
    static final int MOST = 2000;
    private final JdbcClient jdbc;
    private final CrosswalkStore crosswalk;

    /// @param number on its source: what was entered on the ledger got it when it arrived there
    /// @param bankingId the banking that takes it; null for none
    record Receipt(long id, String number, String state, Long bankingId, Settlement settlement) {
        Banking.Receipt asBanked() {
            return new Banking.Receipt(
                    settlement.kind(), number, settlement.party().code(), settlement.amount());
        }

        Money signed() {
            return asBanked().signed();
        }
    }

    /// What is left aside, with what it comes to.
    record Aside(int count, Money amount) {}

    /// Means by UNCL4461 with their currency, such as `10 EUR`.
    ///
    /// @param account of what awaits banking; empty where the route names none
    /// @param together what is taken to the bank
    /// @param alone what arrives by itself
    /// @param ever what was taken to the bank at any time: what was posted then still waits there
    record MeansOfRoute(String account, Set<String> together, Set<String> alone, Set<String> ever) {}

    ToBank(JdbcClient jdbc, CrosswalkStore crosswalk) {
        this.jdbc = jdbc;
        this.crosswalk = crosswalk;
    }

    MeansOfRoute means(RouteRow route) {
        List<CrosswalkRow> rows = crosswalk.rows(route.id(), List.of(RowKind.ROLE, RowKind.MEANS));
        String account = rows.stream()
                .filter(row ->
                        row.kind() == RowKind.ROLE && row.code().equals(AccountRole.RECEIPTS_AWAITING_BANKING.name()))
                .map(row -> row.target(Purpose.ACCOUNT))
                .findFirst()
                .orElse("");
        Set<String> together = new TreeSet<>();
        Set<String> alone = new TreeSet<>();
        rows.stream().filter(row -> row.kind() == RowKind.MEANS).forEach(row -> {
            boolean waits = !account.isEmpty() && row.target(Purpose.ACCOUNT).equals(account);
            (waits ? together : alone).add(row.code());
        });
        return new MeansOfRoute(account, together, alone, ever(route, account));
    }

    private Set<String> ever(RouteRow route, String account) {
        return Set.copyOf(jdbc.sql("""
                select distinct code from crosswalk_row
                where route_id = :route and kind = 'MEANS' and purpose = 'ACCOUNT' and target = :account and :account <> ''""")
                .param("route", route.id())
                .param("account", account)
                .query(String.class)
                .list());
    }

    /// In the currency of the books, what no other banking takes, by day; those that this banking takes whatever their
    /// day.
    ///
    /// @param bankingId 0 for one that is not made yet
    List<Receipt> of(RouteRow route, MeansOfRoute means, long bankingId, LocalDate since) {
        List<Receipt> found = jdbc.sql(SELECT + """
                    \sand (b.banking_id = :banking or (b.banking_id is null and d.issue_date >= :since and\s""" + WAITS + """
                    )) order by d.issue_date, d.id limit :most""")
                .param("route", route.id())
                .param("waiting", means.account())
                .param("ever", refs(means.ever(), route.currency()))
                .param("means", refs(means.together(), route.currency()))
                .param("currency", route.currency())
                .param("kinds", RecordKind.words(RecordKind::isSettlement))
                .param("banking", bankingId)
                .param("since", since)
                .param("most", MOST + 1)
                .query(ToBank::receipt)
                .list();
        if (found.size() > MOST) {
            throw NotPossibleException.invalid(
                    "too-many-receipts",
                    "More than " + MOST
                            + " receipts wait since then; begin with a later day, or bank what is older first.");
        }
        return found;
    }

    /// Those named, whatever they wait for.
    List<Receipt> named(RouteRow route, List<Long> ids) {
        return jdbc.sql(SELECT + " and d.id = any(:ids) order by d.issue_date, d.id")
                .param("route", route.id())
                .param("currency", route.currency())
                .param("kinds", RecordKind.words(RecordKind::isSettlement))
                .param("ids", ids.toArray(Long[]::new))
                .query(ToBank::receipt)
                .list();
    }

    /// What was received before a day and was never banked.
    Aside before(RouteRow route, MeansOfRoute means, LocalDate since) {
        return aside(route, means, route.currency(), " and d.issue_date < :since", since);
    }

    /// All that waits, of whatever day.
    Aside all(RouteRow route, MeansOfRoute means) {
        return aside(route, means, route.currency(), "", LocalDate.EPOCH);
    }

    /// What waits in other currencies than that of the books, which a banking does not take.
    List<Aside> foreign(RouteRow route, MeansOfRoute means) {
        return means.ever().stream()
                .map(code -> code.substring(code.indexOf(' ') + 1))
                .distinct()
                .filter(currency -> !currency.equals(route.currency()))
                .map(currency -> aside(route, means, currency, "", LocalDate.EPOCH))
                .filter(each -> each.count() > 0)
                .toList();
    }

    private Aside aside(RouteRow route, MeansOfRoute means, String currency, String and, LocalDate since) {
        return jdbc.sql(
                        "select count(*) as count, coalesce(sum(case when d.kind = any(:incoming) then d.gross else -d.gross end), 0)"
                                + " as gross" + FROM + " and b.banking_id is null and " + WAITS + and)
                .param("route", route.id())
                .param("waiting", means.account())
                .param("ever", refs(means.ever(), currency))
                .param("means", refs(means.together(), currency))
                .param("currency", currency)
                .param("kinds", RecordKind.words(RecordKind::isSettlement))
                .param("incoming", RecordKind.words(RecordKind::bringsMoney))
                .param("since", since)
                .query((row, n) ->
                        new Aside(row.getInt("count"), Money.ofMinor(CurrencyUnit.of(currency), row.getLong("gross"))))
                .single();
    }

    /// The numbers of payments that came back and stand.
    Set<String> returned(RouteRow route, LocalDate since) {
        return Set.copyOf(jdbc.sql("select cast(v.content as json)->>'returns' from record d" + Stored.JOIN + """
                where d.route_id = :route and d.kind in ('returned-in', 'returned-out') and not d.voided
                    and d.issue_date >= :since""")
                .param("route", route.id())
                .param("since", since)
                .query(String.class)
                .list());
    }

    private static String[] refs(Set<String> means, String currency) {
        return means.stream()
                .filter(code -> code.endsWith(" " + currency))
                .map(code -> Refs.of(RowKind.MEANS, code))
                .toArray(String[]::new);
    }

    private static Receipt receipt(ResultSet row, int n) throws SQLException {
        Settlement settlement = (Settlement) Stored.record(row.getString("content"));
        return new Receipt(
                row.getLong("id"),
                row.getString("number"),
                row.getString("state"),
                row.getObject("banking_id", Long.class),
                settlement);
    }

    /// `HW-20417, HW-20418`, for what it was paid.
    static String paidFor(Settlement settlement) {
        return settlement.allocations().stream().map(Allocation::number).collect(Collectors.joining(", "));
    }

    /// Whether somebody paid with coins and notes, which can be miscounted.
    static boolean isCash(Settlement settlement) {
        return settlement.means().equals(Means.CASH.code());
    }

    private static final String JOINS = """
            left join banked b on b.receipt_id = d.id left join link l on l.record_id = d.id
            where d.route_id = :route and d.kind = any(:kinds) and d.currency = :currency""";
    private static final String FROM = " from record d " + JOINS;
    private static final String SELECT =
            "select d.id, d.number, d.state, b.banking_id, " + Stored.COLUMN + " from record d" + Stored.JOIN + JOINS;
    private static final String WAITS = """
            d.refs && cast(:ever as text[]) and not d.voided and d.outcome is distinct from 'cancelled'
                and coalesce(l.ledger_now->'settlement'->>'voided', '') <> 'true'
                and not exists (select 1 from finding f
                    where f.record_id = d.id and f.kind in ('before-cut-off', 'does-not-cross'))
                and case when d.origin = 'ledger' then d.outcome = 'posted' and l.ledger_now->'settlement'->>'account' = :waiting
                    when d.outcome = 'posted' then :waiting = (
                        select q.entry->>'account' from posting_record r join posting q on q.id = r.posting_id
                        where r.record_id = d.id order by q.id desc limit 1)
                    else d.refs && cast(:means as text[]) end""";
}
