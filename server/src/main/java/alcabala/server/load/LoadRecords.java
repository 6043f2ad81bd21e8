package alcabala.server.load;

import alcabala.accounting.record.RecordKind;
import alcabala.server.route.RouteRow;
import alcabala.server.send.Sending;
import java.time.LocalDate;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The records of a route since a day: what there is of each kind, and which of them go next.
@Component
class LoadRecords {
    private static final String[] SALES = RecordKind.words(RecordKind::isSale);
    /// What was sent before waits for a person, whatever became of it; what the ledger made is there.
    private static final String GOES = """
            d.route_id = :route and d.origin = 'source' and d.state = 'Ready' and d.outcome is null and d.issue_date >= :since
                and d.kind <> all(:byHand)""";
    private final JdbcClient jdbc;
    private final Sending sending;

    /// How many of a kind and currency there are in a state, and what they come to.
    ///
    /// @param gross minor units; negative for what is given back
    record Count(String kind, String currency, String state, int count, long gross) {}

    /// @param phase family, side and currency: what has the same can go in one batch
    record Next(String phase, LocalDate day, long id) {}

    LoadRecords(JdbcClient jdbc, Sending sending) {
        this.jdbc = jdbc;
        this.sending = sending;
    }

    List<Count> counts(RouteRow route, LocalDate since) {
        return jdbc.sql("""
                select kind, currency, state, count(*) as count, coalesce(sum(signed(kind, gross)), 0) as gross from record
                where route_id = :route and origin = 'source' and issue_date >= :since
                group by kind, currency, state order by is_document(kind) desc, kind, currency, state""")
                .param("route", route.id())
                .param("since", since)
                .query(Count.class)
                .list();
    }

    int ready(RouteRow route, LocalDate since) {
        return jdbc.sql("select count(*) from record d where " + GOES)
                .param("route", route.id())
                .param("since", since)
                .param("byHand", sending.byHand(route))
                .query(Integer.class)
                .single();
    }

    /// Those behind the last one that a load has passed: documents before what settles them, and bankings after that,
    /// sales before purchases,
    /// each currency by itself, by day.
    List<Next> next(RouteRow route, Load load, int most) {
        List<Next> found = jdbc.sql("""
                select phase, day, id from (
                    select case when is_document(d.kind) then '0' when d.kind = 'banking' then '2' else '1' end
                            || case when d.kind = any(:sales) then '0' else '1' end || d.currency as phase,
                        d.issue_date as day, d.id
                    from record d where\s""" + GOES + """
                    ) r where (phase, day, id) > (:phase, :day, :id) order by phase, day, id limit :most""")
                .param("route", route.id())
                .param("since", load.since())
                .param("byHand", sending.byHand(route))
                .param("sales", SALES)
                .param("phase", load.atPhase())
                .param("day", load.atDay())
                .param("id", load.atId())
                .param("most", most)
                .query(Next.class)
                .list();
        return found.stream()
                .takeWhile(each -> each.phase().equals(found.getFirst().phase()))
                .toList();
    }
}
