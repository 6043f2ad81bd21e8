package alcabala.server.crossing;

import alcabala.accounting.batch.ControlTotals;
import alcabala.accounting.record.RecordKind;
import alcabala.server.crossing.BatchHeads.Checked;
import alcabala.server.jobs.Jobs;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.trail.Trail;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Puts documents that a ledger was found to have into a batch of their own, in which nothing is sent: each is asked
/// about, exactly as after an answer that was lost.
@Component
class Found {
    static final String REASON = "Found on the ledger; nothing of this is sent";
    private final JdbcClient jdbc;
    private final Routes routes;
    private final BatchHeads heads;
    private final Outcomes outcomes;
    private final Trail trail;
    private final Jobs jobs;

    private record Member(long id, String number, String kind, String currency, long net, long tax, long gross) {}

    Found(JdbcClient jdbc, Routes routes, BatchHeads heads, Outcomes outcomes, Trail trail, Jobs jobs) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.heads = heads;
        this.outcomes = outcomes;
        this.trail = trail;
        this.jobs = jobs;
    }

    void ask(long routeId, List<Long> documents, String who) {
        RouteRow route = routes.get(routeId);
        Long[] ids = documents.toArray(Long[]::new);
        List<Member> members =
                jdbc.sql("""
                select id, number, kind, currency, net, tax, gross from record where id = any(:ids) order by issue_date, id""").param("ids", ids).query(Member.class).list();
        members.stream()
                .collect(Collectors.groupingBy(Member::currency, TreeMap::new, Collectors.toList()))
                .forEach((currency, together) -> ask(route, CurrencyUnit.of(currency), together, who));
        outcomes.areAskedAbout(documents);
    }

    private void ask(RouteRow route, CurrencyUnit currency, List<Member> members, String who) {
        long batch = heads.insert(route, totals(currency, members), Checked.not(REASON), who);
        for (Member each : members) {
            jdbc.sql("""
                    insert into dispatch (batch_id, record_id, idempotency_key, outcome, revision)
                    select :batch, id, :key, 'unconfirmed', revision from record where id = :id""")
                    .param("batch", batch)
                    .param("key", UUID.randomUUID())
                    .param("id", each.id())
                    .update();
            trail.write(route.id(), each.id(), who, "found-on-ledger", Map.of("batch", batch));
        }
        SendTask.schedule(jobs, batch);
    }

    private static ControlTotals totals(CurrencyUnit currency, List<Member> members) {
        return ControlTotals.of(
                currency,
                members.stream()
                        .map(each -> new ControlTotals.Member(
                                each.number(),
                                RecordKind.of(each.kind()).isCredit(),
                                Money.ofMinor(currency, each.net()),
                                Money.ofMinor(currency, each.tax()),
                                Money.ofMinor(currency, each.gross())))
                        .toList());
    }
}
