package alcabala.server.crossing;

import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.platform.Amounts;
import java.math.BigDecimal;
import java.util.Collection;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/// What is known of records that a ledger tells of, a page at a time.
@Component
class LinkedThere {
    private final JdbcClient jdbc;
    private final JsonMapper json;

    /// One that a record of ours stands for.
    ///
    /// @param paid minor units
    /// @param onItsWay whether an update of ours is under way: what is read then may be that
    /// @param fromLedger whether it was entered there
    /// @param gone whether the ledger did not have it any more
    /// @param same whether the ledger says exactly what it said before, and its lines are known
    record Linked(
            String ledgerRef,
            long recordId,
            long routeId,
            String ledgerHalf,
            String currency,
            long paid,
            boolean differs,
            int version,
            boolean onItsWay,
            boolean fromLedger,
            boolean gone,
            boolean same) {
        /// With the decimals of its currency.
        String decimal(BigDecimal amount) {
            return Amounts.decimal(currency, minor(amount));
        }

        long minor(BigDecimal amount) {
            return Amounts.minor(currency, amount);
        }
    }

    LinkedThere(JdbcClient jdbc, JsonMapper json) {
        this.jdbc = jdbc;
        this.json = json;
    }

    /// By the ledger's ids; those that no record of ours stands for are not among them.
    Map<String, Linked> of(long ledgerId, Collection<LedgerRecord> records) {
        return jdbc
                .sql("""
                select l.ledger_ref, l.record_id, d.route_id, l.ledger_half, d.currency, d.paid, d.ledger_differs as differs,
                    d.ledger_version as version, coalesce(d.outcome in ('queued', 'sending', 'unconfirmed'), false) as on_its_way,
                    d.origin = 'ledger' as from_ledger, d.gone = 'ledger' as gone,
                    l.ledger_now = cast(x.body as jsonb) and (not is_document(d.kind) or b.known is not null) as same
                from unnest(cast(:refs as text[]), cast(:bodies as text[])) x (ref, body)
                    join link l on l.ledger_id = :ledger and l.ledger_ref = x.ref join record d on d.id = l.record_id
                    left join lateral (select true as known from ledger_booked b
                        where b.ledger_id = l.ledger_id and b.ledger_ref = l.ledger_ref limit 1) b on true""")
                .param("ledger", ledgerId)
                .param("refs", records.stream().map(LedgerRecord::id).toArray(String[]::new))
                .param("bodies", records.stream().map(json::writeValueAsString).toArray(String[]::new))
                .query(Linked.class)
                .list()
                .stream()
                .collect(Collectors.toMap(Linked::ledgerRef, Function.identity()));
    }
}
