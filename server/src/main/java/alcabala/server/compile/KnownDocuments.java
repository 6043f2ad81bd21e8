package alcabala.server.compile;

import alcabala.accounting.document.Document;
import alcabala.accounting.posting.DocumentTaxes;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.settlement.Settlement;
import alcabala.accounting.settlement.Target;
import alcabala.accounting.settlement.Targets;
import alcabala.server.record.Stored;
import alcabala.server.route.RouteRow;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What is known of the documents that settlements name: looked up for all of them at once. A document counts if its
/// route leads to the same ledger, or if it comes from the same source; of several by one number, the one of the same
/// source, and of the same party.
@Component
class KnownDocuments {
    private final JdbcClient jdbc;

    /// @param open minor units
    /// @param stays whether it never crosses on its route
    private record Row(
            String kind,
            String number,
            long sourceId,
            boolean sameLedger,
            boolean voided,
            boolean posted,
            boolean stays,
            String currency,
            long open,
            String ledgerRef,
            String ledgerNumber,
            String content) {}

    /// A document with who it is of.
    private record Found(long sourceId, String party, Target target) {}

    KnownDocuments(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    Targets of(RouteRow route, Collection<? extends Record> records) {
        Set<String> numbers = records.stream()
                .filter(Settlement.class::isInstance)
                .flatMap(record -> ((Settlement) record).allocations().stream())
                .map(allocation -> allocation.number())
                .collect(Collectors.toSet());
        if (numbers.isEmpty()) {
            return Targets.NONE;
        }
        Map<String, List<Found>> found = new HashMap<>();
        rows(route, numbers)
                .forEach(row -> found.computeIfAbsent(row.kind() + " " + row.number(), name -> new ArrayList<>())
                        .add(found(row)));
        return (kind, number, party) -> choose(found.getOrDefault(kind.word() + " " + number, List.of()), route, party);
    }

    private static Optional<Target> choose(List<Found> found, RouteRow route, String party) {
        List<Found> own = found.stream()
                .filter(each -> each.sourceId() == route.sourceId())
                .toList();
        List<Found> among = own.isEmpty() ? found : own;
        Optional<Found> theirs =
                among.stream().filter(each -> each.party().equals(party)).findFirst();
        return theirs.or(() -> among.size() == 1 ? Optional.of(among.getFirst()) : Optional.empty())
                .map(Found::target);
    }

    private static Found found(Row row) {
        Document document = Stored.document(row.content());
        CurrencyUnit currency = CurrencyUnit.of(row.currency());
        return new Found(
                row.sourceId(),
                document.counterparty().code(),
                new Target(
                        standing(row),
                        document.counterparty(),
                        document.totals().gross(),
                        Money.ofMinor(currency, row.open()),
                        DocumentTaxes.of(document),
                        row.ledgerRef(),
                        row.ledgerNumber()));
    }

    private static Target.Standing standing(Row row) {
        if (row.voided()) {
            return Target.Standing.VOIDED;
        }
        if (row.posted() && row.sameLedger()) {
            return Target.Standing.CROSSED;
        }
        return row.stays() || row.posted() ? Target.Standing.STAYS : Target.Standing.TO_CROSS;
    }

    /// What is open is what the ledger says is not paid, and never more than what no settlement that is on its way or
    /// there settles.
    private List<Row> rows(RouteRow route, Set<String> numbers) {
        return jdbc.sql("""
                select d.kind, d.number, d.source_id, t.ledger_id is not distinct from :ledger as same_ledger, d.voided,
                    d.outcome = 'posted' and d.ledger_ref is not null as posted, d.currency,
                    exists (select 1 from finding f
                        where f.record_id = d.id and f.kind in ('before-cut-off', 'does-not-cross')) as stays,
                    coalesce(d.ledger_gross, d.gross) - greatest(d.paid, coalesce((
                        select sum(a.settled) from allocation a join record s on s.id = a.record_id
                        where a.number = d.number and a.kind = d.kind and s.source_id = d.source_id and not s.voided
                            and (s.origin = 'ledger' or s.outcome in ('queued', 'sending', 'unconfirmed', 'posted'))), 0)) as open,
                    coalesce(d.ledger_ref, '') as ledger_ref, coalesce(d.ledger_number, '') as ledger_number,\s""" + Stored.COLUMN + " from record d" + Stored.JOIN + """
                 join route t on t.id = d.route_id
                where d.route_id in (select id from route where ledger_id = :ledger or source_id = :source)
                    and d.number = any(:numbers) and d.kind = any(:kinds)
                order by d.id""")
                .param("ledger", route.ledgerId())
                .param("source", route.sourceId())
                .param("numbers", numbers.toArray(String[]::new))
                .param("kinds", DOCUMENTS)
                .query(Row.class)
                .list();
    }

    private static final String[] DOCUMENTS = Set.of(RecordKind.values()).stream()
            .filter(RecordKind::isDocument)
            .map(RecordKind::word)
            .toArray(String[]::new);
}
