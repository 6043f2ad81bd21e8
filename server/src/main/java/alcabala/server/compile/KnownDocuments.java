package alcabala.server.compile;

import alcabala.accounting.document.Document;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Received;
import alcabala.accounting.settlement.Settlement;
import alcabala.accounting.settlement.Target;
import alcabala.accounting.settlement.Targets;
import alcabala.server.compile.CreditNotes.Credit;
import alcabala.server.compile.OwnSettlements.Own;
import alcabala.server.record.Stored;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What is known of the documents that settlements name: looked up for all of them at once. A document counts if its
/// route leads to the same ledger, or if it comes from the same source; of several by one number, the one of the same
/// source, and of the same party.
@Component
class KnownDocuments {
    private final JdbcClient jdbc;
    private final OwnSettlements settlements;
    private final CreditNotes credits;
    private final KnownReceipts receipts;
    private final SettingStore decided;

    /// A document with who it is of.
    private record Found(KnownDocument known, Document document) {
        String party() {
            return document.counterparty().code();
        }
    }

    KnownDocuments(
            JdbcClient jdbc,
            OwnSettlements settlements,
            CreditNotes credits,
            KnownReceipts receipts,
            SettingStore decided) {
        this.receipts = receipts;
        this.decided = decided;
        this.jdbc = jdbc;
        this.settlements = settlements;
        this.credits = credits;
    }

    /// What is known of the documents that one record names, and of the receipts.
    private record Known(Targets documents, KnownReceipts.Lookup receipts) implements Targets {
        @Override
        public Optional<Target> find(RecordKind kind, String number, String party) {
            return documents.find(kind, number, party);
        }

        @Override
        public Optional<Received> findReceived(Banking.Receipt receipt) {
            return receipts.find(receipt);
        }
    }

    /// For each of these records by its number.
    LongFunction<Targets> of(RouteRow route, Map<Long, ? extends Record> records) {
        LongFunction<Targets> named = documents(route, records);
        KnownReceipts.Lookup received = receipts.of(route, records.values());
        return received == KnownReceipts.Lookup.NONE ? named : id -> new Known(named.apply(id), received);
    }

    /// What those of one that stands there settle is its own.
    private LongFunction<Targets> documents(RouteRow route, Map<Long, ? extends Record> records) {
        Set<String> numbers = records.values().stream()
                .flatMap(record -> named(record, route))
                .collect(Collectors.toSet());
        if (numbers.isEmpty()) {
            return id -> Targets.NONE;
        }
        RouteSettings settings = decided.of(route.id());
        Map<String, List<Found>> found = new HashMap<>();
        rows(route, numbers)
                .forEach(row -> found.computeIfAbsent(row.name(), name -> new ArrayList<>())
                        .add(new Found(row, row.document())));
        Map<Long, Own> own = settlements.of(records.entrySet().stream()
                .filter(each -> each.getValue() instanceof Settlement)
                .map(Map.Entry::getKey)
                .toList());
        Map<String, List<Credit>> credited = records.values().stream().anyMatch(Document.class::isInstance)
                ? credits.of(route, found.keySet())
                : Map.of();
        return id -> (kind, number, party) -> choose(
                        found.getOrDefault(kind.word() + " " + number, List.of()), route, party)
                .map(one -> one.known()
                        .target(
                                one.document(),
                                one.known().customer(one.document(), settings),
                                own.getOrDefault(id, Own.NONE),
                                Credit.without(
                                        id, credited.getOrDefault(one.known().name(), List.of()))));
    }

    /// What a settlement settles; of which invoice a credit note is, where that says at which rate it is booked.
    private static Stream<String> named(Record record, RouteRow route) {
        return switch (record) {
            case Settlement settlement -> settlement.allocations().stream().map(Allocation::number);
            case Banking banking -> Stream.of();
            case Document document ->
                document.kind().isCredit()
                                && !document.precedingNumber().isEmpty()
                                && !document.currency().getCode().equals(route.currency())
                        ? Stream.of(document.precedingNumber())
                        : Stream.of();
        };
    }

    private static Optional<Found> choose(List<Found> found, RouteRow route, String party) {
        List<Found> own = found.stream()
                .filter(each -> each.known().sourceId() == route.sourceId())
                .toList();
        List<Found> among = own.isEmpty() ? found : own;
        Optional<Found> theirs =
                among.stream().filter(each -> each.party().equals(party)).findFirst();
        return theirs.or(() -> among.size() == 1 ? Optional.of(among.getFirst()) : Optional.empty());
    }

    /// What is open is what the ledger says is not paid, and never more than what no settlement that is on its way
    /// or there settles. What is kept back counts as soon as its source says so, what is released once it is on its
    /// way.
    private List<KnownDocument> rows(RouteRow route, Set<String> numbers) {
        return jdbc.sql("""
                select d.kind, d.number, d.source_id, t.ledger_id is not distinct from :ledger as same_ledger, d.voided,
                    d.outcome = 'posted' and d.ledger_ref is not null as posted, d.currency,
                    exists (select 1 from finding f
                        where f.record_id = d.id and f.kind in ('before-cut-off', 'does-not-cross')) as stays,
                    coalesce(d.ledger_gross, d.gross) as gross, d.paid,
                    coalesce((
                        select sum(a.settled) from allocation a join record s on s.id = a.record_id
                        where a.number = d.number and a.kind = d.kind and s.source_id = d.source_id and not s.voided
                            and s.outcome is distinct from 'cancelled'
                            and (s.origin = 'ledger' or s.outcome in ('queued', 'sending', 'unconfirmed', 'posted'))), 0) as on_way,
                    coalesce((
                        select sum(a.retained) from allocation a join record s on s.id = a.record_id
                        where a.number = d.number and a.kind = d.kind and s.source_id = d.source_id and not s.voided
                            and (a.retained > 0 or s.outcome in ('queued', 'sending', 'unconfirmed', 'posted'))), 0) as retained,
                    coalesce(b.currency, d.currency) as base, x.rate, x.rate_day, coalesce(x.base_paid, 0) as base_paid,
                    coalesce((select q.entry->>'party' from posting_record r join posting q on q.id = r.posting_id
                        where r.record_id = d.id and d.ledger_ref is not null order by q.id desc limit 1), '') as sent_for,
                    coalesce(d.ledger_ref, '') as ledger_ref, coalesce(d.ledger_number, '') as ledger_number,\s""" + Stored.COLUMN + " from record d" + Stored.JOIN + """
                 join route t on t.id = d.route_id left join ledger b on b.id = t.ledger_id
                left join lateral (""" + BOOKED + """
                ) x on d.currency <> b.currency
                where d.route_id in (select id from route where ledger_id = :ledger or source_id = :source)
                    and d.number = any(:numbers) and d.kind = any(:kinds)
                order by d.id""")
                .param("ledger", route.ledgerId())
                .param("source", route.sourceId())
                .param("numbers", numbers.toArray(String[]::new))
                .param("kinds", DOCUMENTS)
                .query(KnownDocument.class)
                .list();
    }

    /// At which rate a document `d` was booked on a ledger `b` in another currency, as it went there or, where it did
    /// not
    /// go there from here, as the ledger says; and what has been taken off it
    /// there: what the ledger says, or what was sent since if that is more.
    private static final String BOOKED = """
            select coalesce(p.rate, cast(l.ledger_now->>'exchangeRate' as numeric)) as rate,
                coalesce(p.rate_day, d.issue_date) as rate_day,
                greatest(coalesce(cast(l.ledger_now->>'basePaid' as numeric), 0),
                    coalesce((select sum(case when sent.kind in ('returned-in', 'returned-out') then -1 else 1 end * relieved(part)) from (
                        select distinct on (s.id) s.id, s.kind, q.entry from allocation a
                        join record s on s.id = a.record_id join posting_record qr on qr.record_id = s.id
                        join posting q on q.id = qr.posting_id
                        where a.number = d.number and a.kind = d.kind and s.source_id = d.source_id and not s.voided
                            and s.outcome in ('queued', 'sending', 'unconfirmed', 'posted')
                        order by s.id, q.id desc) sent
                    cross join json_array_elements(sent.entry->'parts') part where part->>'document' = d.ledger_ref), 0)
                ) as base_paid
            from (select) found left join link l on l.record_id = d.id and l.ledger_id = b.id
            left join lateral (
                select cast(q.entry->'rate'->>'rate' as numeric) as rate, cast(q.entry->'rate'->>'day' as date) as rate_day
                from posting_record pr join posting q on q.id = pr.posting_id
                where pr.record_id = d.id and q.entry->'rate' is not null order by q.id desc limit 1) p on true""";

    private static final String[] DOCUMENTS = RecordKind.words(RecordKind::isDocument);
}
