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

    /// What a batch was compared with before it went.
    ///
    /// @param total of somebody's own; empty when there is none
    /// @param list that it was read from; null when it was typed
    /// @param reason why it goes though they differ
    public record Checked(Optional<Money> total, Long list, String reason) {
        /// With nothing.
        public static Checked not(String reason) {
            return new Checked(Optional.empty(), null, reason);
        }
    }

    public long insert(RouteRow route, ControlTotals totals, Checked checked, String who) {
        return insert(route, Origin.SOURCE, totals, checked, who);
    }

    /// @param origin the side that its records come from
    public long insert(RouteRow route, Origin origin, ControlTotals totals, Checked checked, String who) {
        return jdbc.sql("""
                insert into batch (route_id, created_by, created_at, currency, count, net, tax, gross, hash_total,
                    independent_total, own_list_id, reason, origin)
                values (:route, :who, :now, :currency, :count, :net, :tax, :gross, :hash, :independent, :list, :reason, :origin)
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
                .param(
                        "independent",
                        checked.total().map(Money::getAmountMinorLong).orElse(null),
                        java.sql.Types.BIGINT)
                .param("list", checked.list(), java.sql.Types.BIGINT)
                .param("reason", checked.reason())
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
