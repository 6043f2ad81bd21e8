package alcabala.server.cutover;

import alcabala.accounting.cutover.OpenThere;
import alcabala.accounting.record.RecordKind;
import alcabala.connectors.Unusable;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.connectors.ledger.TellsBalances.Balance;
import alcabala.connectors.ledger.TellsBalances.OpenDocument;
import alcabala.server.platform.Copy;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import javax.sql.DataSource;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/// Keeps what a ledger said last of the day on which each route begins.
@Component
class CutOverStore {
    /// More than anybody looks up there.
    private static final int NAMED = 20;

    private final JdbcClient jdbc;
    private final DataSource dataSource;
    private final JsonMapper json;
    private final Clock clock;

    /// @param setAside how many of the ledger's documents could not be understood
    /// @param odd which, and why: the first of them
    record Asked(
            long id,
            long routeId,
            LocalDate day,
            Instant at,
            String by,
            List<Balance> balances,
            int setAside,
            List<String> odd) {}

    CutOverStore(JdbcClient jdbc, DataSource dataSource, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.dataSource = dataSource;
        this.json = json;
        this.clock = clock;
    }

    /// Takes the place of what it said before.
    @Transactional
    public long keep(
            RouteRow route,
            LocalDate day,
            List<Balance> balances,
            List<OpenDocument> open,
            List<Unusable> setAside,
            String who) {
        jdbc.sql("delete from cut_over where route_id = :route")
                .param("route", route.id())
                .update();
        long id = jdbc.sql("""
                insert into cut_over (route_id, ledger_id, day, made_at, made_by, balances, set_aside, odd)
                values (:route, :ledger, :day, :now, :who, cast(:balances as jsonb), :aside, cast(:odd as jsonb)) returning id""")
                .param("route", route.id())
                .param("ledger", route.ledgerId())
                .param("day", day)
                .param("now", Timestamp.from(clock.instant()))
                .param("who", who)
                .param("balances", json.writeValueAsString(balances))
                .param("aside", setAside.size())
                .param(
                        "odd",
                        json.writeValueAsString(setAside.stream()
                                .limit(NAMED)
                                .map(each -> each.name() + ": " + each.reason())
                                .toList()))
                .query(Long.class)
                .single();
        Copy copy = new Copy();
        open.forEach(each -> copy.value(id)
                .value(each.record().id())
                .value(json.writeValueAsString(each.record()))
                .value(each.currency().getCode())
                .value(each.open().toPlainString())
                .value(each.baseOpen().toPlainString())
                .endRow());
        copy.send(dataSource, "cut_over_there (cut_over_id, ledger_ref, record, currency, open, base_open)");
        return id;
    }

    Optional<Asked> find(RouteRow route) {
        return jdbc.sql("select * from cut_over where route_id = :route and ledger_id = :ledger")
                .param("route", route.id())
                .param("ledger", route.ledgerId())
                .query(this::asked)
                .optional();
    }

    /// What it had open.
    List<OpenThere> there(long id, CurrencyUnit base) {
        return jdbc.sql("""
                select ledger_ref, record->>'kind' as kind, record->>'number' as number, record->>'party' as party,
                    cast(record->>'date' as date) as date, cast(record->>'gross' as numeric) as gross, currency, open, base_open
                from cut_over_there where cut_over_id = :id order by ledger_ref""").param("id", id).query((row, n) -> there(row, base)).list();
    }

    /// @throws NotPossibleException when it was not among what was open
    LedgerRecord record(long id, String ledgerRef) {
        return jdbc.sql("select record from cut_over_there where cut_over_id = :id and ledger_ref = :ref")
                .param("id", id)
                .param("ref", ledgerRef)
                .query(String.class)
                .optional()
                .map(text -> json.readValue(text, LedgerRecord.class))
                .orElseThrow(() -> NotPossibleException.missing("open document " + ledgerRef));
    }

    private Asked asked(ResultSet row, int n) throws SQLException {
        return new Asked(
                row.getLong("id"),
                row.getLong("route_id"),
                row.getObject("day", LocalDate.class),
                row.getTimestamp("made_at").toInstant(),
                row.getString("made_by"),
                List.of(json.readValue(row.getString("balances"), Balance[].class)),
                row.getInt("set_aside"),
                List.of(json.readValue(row.getString("odd"), String[].class)));
    }

    private static OpenThere there(ResultSet row, CurrencyUnit base) throws SQLException {
        CurrencyUnit currency = CurrencyUnit.of(row.getString("currency"));
        return new OpenThere(
                row.getString("ledger_ref"),
                RecordKind.of(row.getString("kind")),
                row.getString("number"),
                row.getString("party"),
                row.getObject("date", LocalDate.class),
                money(currency, row.getBigDecimal("gross")),
                money(currency, row.getBigDecimal("open")),
                money(base, row.getBigDecimal("base_open")));
    }

    /// Whole minor units, whatever the ledger says beyond them.
    static Money money(CurrencyUnit currency, BigDecimal amount) {
        return Money.of(currency, amount, RoundingMode.HALF_UP);
    }
}
