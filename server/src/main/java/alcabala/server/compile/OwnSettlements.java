package alcabala.server.compile;

import java.math.BigDecimal;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What settlements that stand on the ledger settle there themselves: one that was changed takes its own place.
@Component
class OwnSettlements {
    private final JdbcClient jdbc;

    /// Of one settlement.
    ///
    /// @param there by the ledger's ids of the documents, as it went there last
    /// @param said by the names of the documents, as its source said when it was last written
    record Own(Map<String, There> there, Map<String, Said> said) {
        static final Own NONE = new Own(Map.of(), Map.of());

        /// Minor units.
        long settledThere(String ledgerRef, CurrencyUnit unit) {
            BigDecimal settled = there.getOrDefault(ledgerRef, There.NONE).settled();
            return settled.movePointRight(unit.getDecimalPlaces()).longValueExact();
        }

        /// In the ledger's currency.
        BigDecimal relievedThere(String ledgerRef) {
            return there.getOrDefault(ledgerRef, There.NONE).relieved();
        }

        /// Minor units.
        long says(String document) {
            return said.getOrDefault(document, Said.NONE).settled();
        }

        /// Minor units, not more than nothing.
        long releases(String document) {
            return said.getOrDefault(document, Said.NONE).released();
        }
    }

    private record There(BigDecimal settled, BigDecimal relieved) {
        static final There NONE = new There(BigDecimal.ZERO, BigDecimal.ZERO);
    }

    private record Said(long settled, long released) {
        static final Said NONE = new Said(0, 0);
    }

    OwnSettlements(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /// Of those among these records that stand there.
    Map<Long, Own> of(Collection<Long> records) {
        Map<Long, Own> own = new HashMap<>();
        Long[] ids = records.toArray(Long[]::new);
        jdbc.sql("""
                select a.record_id, a.kind || ' ' || a.number as document, sum(a.settled) as settled,
                    sum(least(a.retained, 0)) as released
                from allocation a join record s on s.id = a.record_id
                where s.id = any(:ids) and s.outcome = 'posted' and s.origin = 'source' group by 1, 2""").param("ids", ids).query(row -> {
            of(own, row.getLong("record_id"))
                    .said()
                    .put(row.getString("document"), new Said(row.getLong("settled"), row.getLong("released")));
        });
        if (own.isEmpty()) {
            return own;
        }
        jdbc.sql("""
                select sent.record_id, part->>'document' as document, sum(sign * settled(part)) as settled,
                    coalesce(sum(sign * relieved(part)), 0) as relieved
                from (select distinct on (p.record_id) p.record_id, q.entry,
                        case when q.kind in ('returned-in', 'returned-out') then -1 else 1 end as sign
                    from dispatch p join posting q on q.id = p.posting_id
                    where p.record_id = any(:ids) and p.outcome = 'posted' order by p.record_id, p.id desc) sent
                cross join json_array_elements(sent.entry->'parts') part group by 1, 2""").param("ids", ids).query(row -> {
            of(own, row.getLong("record_id"))
                    .there()
                    .put(
                            row.getString("document"),
                            new There(row.getBigDecimal("settled"), row.getBigDecimal("relieved")));
        });
        return own;
    }

    private static Own of(Map<Long, Own> own, long record) {
        return own.computeIfAbsent(record, id -> new Own(new HashMap<>(), new HashMap<>()));
    }
}
