package alcabala.server.run;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What came of a run, with the records behind each figure: read from the trail that it left and the batches that it
/// made, so that no figure can differ from what is known of its records.
@Component
class RunFigures {
    /// What is told of a record, by what is written on the trail.
    private static final Map<String, String> TOLD = Map.of(
            "taken-in", "NEW",
            "changed-on-source", "CHANGED_ON_SOURCE",
            "payment-brought-back", "PAID_ON_LEDGER",
            "edited-on-ledger", "CHANGED_ON_LEDGER",
            "agrees-again", "AGREES_AGAIN",
            "ledger-stands", "LEDGER_STANDS",
            "opened-again", "OPENED_AGAIN");

    private static final String OF_RUN = """
            with found as (
                select t.record_id, t.action as what from run r join trail t
                    on t.id > r.trail_from and t.id <= coalesce(r.trail_to, 9223372036854775807) and t.route_id = r.route_id
                where r.id = :run and t.action = any(:actions) and t.record_id is not null
                union
                select p.record_id, p.outcome from run r join batch b on b.route_id = r.route_id and b.created_by = r.who
                    and b.created_at >= r.started_at and b.created_at <= coalesce(r.finished_at, b.created_at)
                    join dispatch p on p.batch_id = b.id
                where r.id = :run)
            """;
    private static final int LISTED = 500;
    private final JdbcClient jdbc;
    private final MasterFigures masters;

    /// @param what such as `NEW`, or how far one that was sent has come, such as `POSTED`
    /// @param kind of record, or `party` or `item`
    record Figure(String what, String kind, int count) {}

    /// @param id 0 for a master, which has no date and no money
    /// @param number of a master its code
    record RunRecord(long id, String number, String party, LocalDate date, String currency, long gross) {}

    RunFigures(JdbcClient jdbc, MasterFigures masters) {
        this.masters = masters;
        this.jdbc = jdbc;
    }

    List<Figure> of(long run) {
        return Stream.concat(ofRecords(run).stream(), masters.of(run).stream()).toList();
    }

    private List<Figure> ofRecords(long run) {
        return jdbc.sql(OF_RUN + """
                        select f.what, d.kind, count(*)::int as count from found f join record d on d.id = f.record_id
                        group by f.what, d.kind order by 1, 2""")
                .param("run", run)
                .param("actions", TOLD.keySet().toArray(String[]::new))
                .query((row, n) -> new Figure(said(row.getString("what")), row.getString("kind"), row.getInt("count")))
                .list();
    }

    private static String said(String what) {
        return TOLD.getOrDefault(what, what.toUpperCase(Locale.ROOT));
    }

    /// The first of them.
    List<RunRecord> records(long run, String what, String kind) {
        if (masters.has(kind)) {
            return masters.records(run, what, kind, LISTED);
        }
        String written = TOLD.entrySet().stream()
                .filter(each -> each.getValue().equals(what))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(what.toLowerCase(Locale.ROOT));
        return jdbc.sql(OF_RUN + """
                        select d.id, d.number, d.party_name as party, d.issue_date as date, d.currency, d.gross
                        from found f join record d on d.id = f.record_id
                        where f.what = :what and d.kind = :kind order by d.issue_date, d.id limit :most""")
                .param("run", run)
                .param("actions", TOLD.keySet().toArray(String[]::new))
                .param("what", written)
                .param("kind", kind)
                .param("most", LISTED)
                .query(RunRecord.class)
                .list();
    }
}
