package alcabala.server.alerts;

import alcabala.accounting.alert.Alert.RunsFail;
import alcabala.accounting.alert.Alert.Waiting;
import alcabala.accounting.alert.Alerts.Consent;
import alcabala.accounting.alert.Alerts.Facts;
import alcabala.server.record.Records;
import alcabala.server.resolve.FailedRuns;
import alcabala.server.route.RouteRow;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What is known of a route that somebody may have to be told of.
@Component
class AlertFacts {
    /// More than anybody goes through; the longest waiting are looked at.
    private static final int MOST = 10_000;
    private final JdbcClient jdbc;
    private final FailedRuns runs;

    AlertFacts(JdbcClient jdbc, FailedRuns runs) {
        this.jdbc = jdbc;
        this.runs = runs;
    }

    Facts of(RouteRow route) {
        Map<Waiting, List<Instant>> waiting = new EnumMap<>(Waiting.class);
        waiting.put(Waiting.BLOCKED, records(route, "d.state = 'Blocked' and d.outcome is distinct from 'unreached'"));
        waiting.put(Waiting.READY, records(route, "d.state = 'Ready' and d.outcome is distinct from 'unreached'"));
        waiting.put(Waiting.HELD, records(route, Records.HELD));
        waiting.put(
                Waiting.QUESTIONS,
                jdbc.sql("""
                        select since from (select since from master_question where route_id = :route
                            union all select since from master_lacking where route_id = :route and state in ('asked', 'refused')) q
                        order by since limit :most""")
                        .param("route", route.id())
                        .param("most", MOST)
                        .query(AlertFacts::since)
                        .list());
        return new Facts(failing(route), waiting, consents(route));
    }

    private List<Instant> records(RouteRow route, String which) {
        return jdbc.sql("""
                select v.received_at as since from record d join record_revision v on v.id = d.revision_id
                where d.route_id = :route and not d.voided and not\s""" + Records.LEFT_ALONE + " and " + which + " order by since limit :most")
                .param("route", route.id())
                .param("most", MOST)
                .query(AlertFacts::since)
                .list();
    }

    private static Instant since(ResultSet row, int n) throws SQLException {
        return row.getTimestamp("since").toInstant();
    }

    private Optional<RunsFail> failing(RouteRow route) {
        return runs.find(route)
                .map(each -> new RunsFail(each.count(), each.problem().sentence(), each.since()));
    }

    private List<Consent> consents(RouteRow route) {
        return jdbc.sql("""
                select l.name, c.consent_ends_at, c.lost_at from ledger l join credential c on c.ledger_id = l.id
                where l.id = :ledger and l.connected""")
                .param("ledger", route.ledgerId())
                .query((row, n) -> new Consent(
                        row.getString("name"),
                        Optional.ofNullable(row.getTimestamp("consent_ends_at")).map(Timestamp::toInstant),
                        Optional.ofNullable(row.getTimestamp("lost_at")).map(Timestamp::toInstant)))
                .list();
    }
}
