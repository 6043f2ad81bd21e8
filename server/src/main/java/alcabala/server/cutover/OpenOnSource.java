package alcabala.server.cutover;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.cutover.OpenHere;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.LineKind;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.ledger.DayRates;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.tax.TaxCalculator;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.record.Stored;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import java.math.RoundingMode;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What the source of a route had open at the end of a day, as far as it has told of it.
@Component
class OpenOnSource {
    private static final String[] DOCUMENTS = RecordKind.words(RecordKind::isDocument);
    private static final String[] SETTLEMENTS = RecordKind.words(RecordKind::isSettlement);
    private final JdbcClient jdbc;
    private final CrosswalkStore crosswalk;
    private final LedgerReference reference;

    private record Unapplied(String kind, String currency, LocalDate date, long amount) {}

    OpenOnSource(JdbcClient jdbc, CrosswalkStore crosswalk, LedgerReference reference) {
        this.jdbc = jdbc;
        this.crosswalk = crosswalk;
        this.reference = reference;
    }

    /// What has its approval and was not void; settled is what settlements of that day or before it settle.
    List<OpenHere> documents(RouteRow route, LocalDate day) {
        Map<String, String> parties = crosswalk.rows(route.id(), List.of(RowKind.PARTY)).stream()
                .filter(row -> !row.counterpart().isEmpty())
                .collect(Collectors.toMap(CrosswalkRow::code, CrosswalkRow::counterpart));
        Worth worth = new Worth(
                CurrencyUnit.of(route.currency()),
                reference.profile(route.ledgerId()).rates());
        return jdbc.sql("""
                select * from (
                    select d.id, d.kind, d.number, d.party_code, d.issue_date, d.currency, d.gross,
                        d.gross - coalesce(s.settled, 0) as open, coalesce(l.ledger_ref, '') as linked
                    from record d left join link l on l.record_id = d.id left join lateral (
                        select sum(a.settled) as settled from allocation a join record p on p.id = a.record_id
                        where a.number = d.number and a.kind = d.kind and p.source_id = d.source_id and p.approved
                            and not p.voided and p.issue_date <= :day) s on true
                    where d.route_id = :route and d.kind = any(:kinds) and d.approved and not d.voided
                        and d.issue_date <= :day) o
                where open <> 0 order by issue_date, number""")
                .param("route", route.id())
                .param("day", day)
                .param("kinds", DOCUMENTS)
                .query((row, n) -> document(row, parties, worth))
                .list();
    }

    private static OpenHere document(ResultSet row, Map<String, String> parties, Worth worth) throws SQLException {
        CurrencyUnit currency = CurrencyUnit.of(row.getString("currency"));
        LocalDate date = row.getObject("issue_date", LocalDate.class);
        Money open = Money.ofMinor(currency, row.getLong("open"));
        return new OpenHere(
                row.getLong("id"),
                RecordKind.of(row.getString("kind")),
                row.getString("number"),
                parties.getOrDefault(row.getString("party_code"), ""),
                date,
                Money.ofMinor(currency, row.getLong("gross")),
                open,
                worth.of(open, date),
                row.getString("linked"));
    }

    /// What was received of customers, or paid to suppliers, and settles nothing; negative where it was given back.
    Money onAccount(RouteRow route, LocalDate day, boolean sales) {
        CurrencyUnit base = CurrencyUnit.of(route.currency());
        Worth worth = new Worth(base, reference.profile(route.ledgerId()).rates());
        return jdbc
                .sql("""
                select kind, currency, issue_date as date, amount from (
                    select d.kind, d.currency, d.issue_date, d.gross - coalesce(
                        (select sum(a.money) from allocation a where a.record_id = d.id), 0) as amount
                    from record d where d.route_id = :route and d.kind = any(:kinds) and d.approved and not d.voided
                        and d.issue_date <= :day) u
                where amount <> 0""")
                .param("route", route.id())
                .param("day", day)
                .param("kinds", SETTLEMENTS)
                .query(Unapplied.class)
                .list()
                .stream()
                .filter(each -> RecordKind.of(each.kind()).isSale() == sales)
                .map(each -> signed(each, worth))
                .filter(Objects::nonNull)
                .reduce(Money.zero(base), Money::plus);
    }

    private static Money signed(Unapplied each, Worth worth) {
        Money amount = worth.of(Money.ofMinor(CurrencyUnit.of(each.currency()), each.amount()), each.date());
        return amount == null
                ? null
                : amount.multipliedBy(RecordKind.of(each.kind()).sign());
    }

    /// What was asked for in advance, less what of it was deducted since, without tax.
    Money advances(RouteRow route, LocalDate day, boolean sales) {
        Worth worth = new Worth(
                CurrencyUnit.of(route.currency()),
                reference.profile(route.ledgerId()).rates());
        return jdbc
                .sql("select " + Stored.COLUMN + " from record d" + Stored.JOIN + """
                 where d.route_id = :route and d.kind = any(:kinds) and d.approved and not d.voided and d.issue_date <= :day
                    and jsonb_path_exists(cast(v.content as jsonb), '$.lines[*] ? (@.kind == "ADVANCE")')""")
                .param("route", route.id())
                .param("day", day)
                .param("kinds", DOCUMENTS)
                .query(String.class)
                .list()
                .stream()
                .map(Stored::document)
                .filter(document -> document.kind().isSale() == sales)
                .map(document -> worth.of(advances(document), document.issueDate()))
                .filter(Objects::nonNull)
                .reduce(Money.zero(worth.base()), Money::plus);
    }

    private static Money advances(Document document) {
        return document.lines().stream()
                .filter(line -> line.kind() == LineKind.ADVANCE)
                .map(line -> document.priceMode() == PriceMode.NET
                        ? line.amount()
                        : line.amount()
                                .minus(TaxCalculator.taxOf(
                                        line.amount(), line.tax().rate(), document.priceMode())))
                .reduce(Money.zero(document.currency()), Money::plus)
                .multipliedBy(document.kind().sign());
    }

    /// In the ledger's currency, at the rate that it keeps for the day.
    private record Worth(CurrencyUnit base, DayRates rates) {
        /// Null where it keeps none.
        Money of(Money money, LocalDate day) {
            if (money.getCurrencyUnit().equals(base)) {
                return money;
            }
            return rates.find(money.getCurrencyUnit(), day)
                    .map(rate -> Money.of(base, money.getAmount().multiply(rate.getValue()), RoundingMode.HALF_UP))
                    .orElse(null);
        }
    }
}
