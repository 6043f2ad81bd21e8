package alcabala.server.crossing;

import alcabala.accounting.batch.BatchOptions;
import alcabala.accounting.batch.ControlTotals;
import alcabala.accounting.record.Origin;
import alcabala.server.platform.DocumentJson;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.LocalDate;
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
        return insert(route, Origin.SOURCE, totals, checked, null, who);
    }

    /// @param origin the side that its records come from
    /// @param dated the day that all of it takes there; null for their own
    public long insert(
            RouteRow route, Origin origin, ControlTotals totals, Checked checked, LocalDate dated, String who) {
        return jdbc.sql("""
                insert into batch (route_id, created_by, created_at, currency, count, net, tax, gross, hash_total,
                    independent_total, own_list_id, reason, origin, dated_on)
                values (:route, :who, :now, :currency, :count, :net, :tax, :gross, :hash, :independent, :list, :reason, :origin, :dated)
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
                .param("dated", dated, java.sql.Types.DATE)
                .query(Long.class)
                .single();
    }

    /// Makes a batch the next revision of another: what of that one nobody has answered for has been withdrawn before.
    ///
    /// @param former any revision of it
    public void revise(RouteRow route, long batch, long former) {
        boolean open = jdbc.sql("""
                select exists (select 1 from dispatch p join batch b on b.id = p.batch_id
                    where coalesce(b.first_id, b.id) = (select coalesce(first_id, id) from batch where id = :former) and b.id <> :batch
                        and p.outcome in ('queued', 'sending', 'unconfirmed'))""")
                .param("former", former)
                .param("batch", batch)
                .query(Boolean.class)
                .single();
        if (open) {
            throw NotPossibleException.conflict(
                    "revision-open",
                    "Something of the former revision is still open. Take in what the ledger answered, or withdraw it; then make the next.");
        }
        int rows = jdbc.sql("""
                update batch b set first_id = coalesce(f.first_id, f.id), revision = 1 + (
                    select max(o.revision) from batch o where coalesce(o.first_id, o.id) = coalesce(f.first_id, f.id))
                from batch f where b.id = :batch and f.id = :former and f.route_id = :route""")
                .param("batch", batch)
                .param("former", former)
                .param("route", route.id())
                .update();
        if (rows == 0) {
            throw NotPossibleException.missing("batch " + former);
        }
    }

    /// Makes a batch the one that takes another back.
    public void undoes(long batch, long other) {
        jdbc.sql("update batch set undoes = :other where id = :id")
                .param("other", other)
                .param("id", batch)
                .update();
    }

    /// What it decides on top of its route.
    public void decides(long batch, BatchOptions options) {
        jdbc.sql("update batch set options = cast(:options as jsonb) where id = :id")
                .param("options", DocumentJson.write(options.words()))
                .param("id", batch)
                .update();
    }

    public BatchOptions optionsOf(long batch) {
        return BatchOptions.of(DocumentJson.map(jdbc.sql("select options from batch where id = :id")
                        .param("id", batch)
                        .query(String.class)
                        .single()))
                .orElseThrow();
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
