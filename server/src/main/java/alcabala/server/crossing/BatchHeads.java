package alcabala.server.crossing;

import alcabala.accounting.batch.ControlTotals;
import alcabala.accounting.record.Origin;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.Optional;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The heads of batches: what each adds up to, who made it and why.
@Component
public class BatchHeads {
    private final JdbcClient jdbc;
    private final Clock clock;

    BatchHeads(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /// @param typed a total of somebody's own
    public long insert(RouteRow route, ControlTotals totals, Optional<Money> typed, String reason, String who) {
        return insert(route, Origin.SOURCE, totals, typed, reason, who);
    }

    /// @param origin the side that its records come from
    public long insert(
            RouteRow route, Origin origin, ControlTotals totals, Optional<Money> typed, String reason, String who) {
        return jdbc.sql("""
                insert into batch (route_id, created_by, created_at, currency, count, net, tax, gross, hash_total,
                    independent_total, reason, origin)
                values (:route, :who, :now, :currency, :count, :net, :tax, :gross, :hash, :independent, :reason, :origin)
                returning id""")
                .param("route", route.id())
                .param("who", who)
                .param("now", Timestamp.from(clock.instant()))
                .param("currency", totals.gross().getCurrencyUnit().getCode())
                .param("count", totals.count())
                .param("net", totals.net().getAmountMinorLong())
                .param("tax", totals.tax().getAmountMinorLong())
                .param("gross", totals.gross().getAmountMinorLong())
                .param("hash", new java.math.BigDecimal(totals.hashTotal()))
                .param("independent", typed.map(Money::getAmountMinorLong).orElse(null), java.sql.Types.BIGINT)
                .param("reason", reason)
                .param("origin", origin.word())
                .query(Long.class)
                .single();
    }

    /// Goes on with what failed of it.
    public void reopen(long batch) {
        jdbc.sql("update batch set finished_at = null, failures = 0 where id = :id")
                .param("id", batch)
                .update();
    }

    public long routeOf(long batch) {
        return jdbc.sql("select route_id from batch where id = :id")
                .param("id", batch)
                .query(Long.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("batch " + batch));
    }
}
