package alcabala.server.compile;

import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.settlement.Target;
import alcabala.server.record.Refs;
import alcabala.server.route.RouteRow;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What credit notes that are booked or on their way credit of documents in another currency than the books.
@Component
class CreditNotes {
    private final JdbcClient jdbc;

    /// @param gross minor units of the document's currency
    /// @param base minor units of the ledger's; null for one that never went there from here
    record Credit(long recordId, long gross, Long base) {
        /// What it took off a document that was booked at this rate.
        Target.Credited at(ExchangeRate rate) {
            Money amount = Money.ofMinor(rate.from(), gross);
            return new Target.Credited(amount, base == null ? rate.convert(amount) : Money.ofMinor(rate.to(), base));
        }

        static List<Credit> without(long recordId, List<Credit> credits) {
            return credits.stream().filter(each -> each.recordId() != recordId).toList();
        }
    }

    CreditNotes(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /// @param names of documents, such as `invoice HW-20417`
    Map<String, List<Credit>> of(RouteRow route, Collection<String> names) {
        Map<String, List<Credit>> credits = new HashMap<>();
        String[] refs = names.stream().map(Refs::settles).toArray(String[]::new);
        jdbc.sql("""
                select c.id, ref, c.gross, (
                    select cast(abs(sum(line.base_amount)) as bigint) from posting q join posting_line line on line.posting_id = q.id
                    where q.id = (select max(posting_id) from posting_record where record_id = c.id)
                        and line.account = q.entry->>'controlAccount') as base
                from record c cross join unnest(c.refs) ref
                where c.refs && cast(:refs as text[]) and ref = any(:refs) and c.source_id = :source and is_document(c.kind)
                    and not c.voided and c.outcome in ('queued', 'sending', 'unconfirmed', 'posted')""").param("refs", refs).param("source", route.sourceId()).query(row -> {
            credits.computeIfAbsent(row.getString("ref"), ref -> new ArrayList<>())
                    .add(new Credit(row.getLong("id"), row.getLong("gross"), row.getObject("base", Long.class)));
        });
        Map<String, List<Credit>> byName = new HashMap<>();
        names.forEach(name -> byName.put(name, credits.getOrDefault(Refs.settles(name), List.of())));
        return byName;
    }
}
