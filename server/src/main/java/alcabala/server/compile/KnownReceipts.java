package alcabala.server.compile;

import alcabala.accounting.record.Record;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Received;
import alcabala.accounting.settlement.Target.Standing;
import alcabala.server.platform.DocumentJson;
import alcabala.server.route.RouteRow;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What is known of the receipts that bankings name: looked up for all of them at once.
@Component
class KnownReceipts {
    private final JdbcClient jdbc;

    /// @param account on which the ledger has its money; null where it is not there
    private record Found(
            String kind,
            String number,
            String party,
            boolean voided,
            boolean there,
            boolean stays,
            long gross,
            String currency,
            String account,
            String dimensions) {
        Received received() {
            return new Received(
                    standing(),
                    Money.ofMinor(CurrencyUnit.of(currency), gross),
                    account == null ? "" : account,
                    dimensions == null ? Map.of() : DocumentJson.map(dimensions));
        }

        private Standing standing() {
            if (voided) {
                return Standing.VOIDED;
            }
            if (there) {
                return Standing.CROSSED;
            }
            return stays ? Standing.STAYS : Standing.TO_CROSS;
        }
    }

    /// Looks up one of those that were asked about.
    @FunctionalInterface
    interface Lookup {
        Lookup NONE = receipt -> Optional.empty();

        Optional<Received> find(Banking.Receipt receipt);
    }

    KnownReceipts(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /// Of several by one number, as suppliers give them, the one of the same party.
    Lookup of(RouteRow route, Collection<? extends Record> records) {
        String[] numbers = records.stream()
                .filter(Banking.class::isInstance)
                .flatMap(record -> ((Banking) record).receipts().stream())
                .map(Banking.Receipt::number)
                .distinct()
                .toArray(String[]::new);
        if (numbers.length == 0) {
            return Lookup.NONE;
        }
        Map<String, List<Found>> found = new HashMap<>();
        rows(route, numbers)
                .forEach(row -> found.computeIfAbsent(row.kind() + " " + row.number(), name -> new ArrayList<>())
                        .add(row));
        return receipt -> found.getOrDefault(receipt.names(), List.of()).stream()
                .filter(row -> row.party().equals(receipt.party()))
                .findFirst()
                .map(Found::received);
    }

    /// What was entered on the ledger says itself on which account its money is there.
    private List<Found> rows(RouteRow route, String[] numbers) {
        return jdbc.sql("""
                select d.kind, d.number, d.party_code as party, d.voided or coalesce(d.outcome = 'cancelled', false)
                        or coalesce(l.ledger_now->'settlement'->>'voided' = 'true', false) as voided,
                    d.origin = 'ledger' or coalesce(d.outcome = 'posted', false) as there,
                    exists (select 1 from finding f
                        where f.record_id = d.id and f.kind in ('before-cut-off', 'does-not-cross')) as stays,
                    d.gross, d.currency, coalesce(p.account, l.ledger_now->'settlement'->>'account') as account, p.dimensions
                from record d
                left join link l on l.record_id = d.id and l.ledger_id = :ledger
                left join lateral (
                    select q.entry->>'account' as account, (select b.dimensions from posting_line b
                            where b.posting_id = q.id and b.account = q.entry->>'account' limit 1) as dimensions
                    from posting_record r join posting q on q.id = r.posting_id
                    where r.record_id = d.id and q.ledger_id = :ledger order by q.id desc limit 1) p on d.origin = 'source'
                where d.source_id = :source and d.route_id = :route and d.number = any(:numbers) and not is_document(d.kind)
                order by d.id""")
                .param("ledger", route.ledgerId())
                .param("source", route.sourceId())
                .param("route", route.id())
                .param("numbers", numbers)
                .query(Found.class)
                .list();
    }
}
