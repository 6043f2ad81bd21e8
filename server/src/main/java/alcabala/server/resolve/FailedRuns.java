package alcabala.server.resolve;

import alcabala.server.platform.Problem;
import alcabala.server.route.RouteRow;
import java.time.Instant;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/// The runs of a whole route that failed one after the other, up to now.
@Component
public class FailedRuns {
    private final JdbcClient jdbc;
    private final JsonMapper json;

    /// @param count how many failed in a row, the last one among them
    /// @param last the number of the last one
    /// @param since when the first of them began
    /// @param problem of the last one
    public record Failed(int count, long last, Instant since, Problem problem) {}

    private record Row(int count, long last, Instant since, String problem) {}

    FailedRuns(JdbcClient jdbc, JsonMapper json) {
        this.jdbc = jdbc;
        this.json = json;
    }

    /// Empty where the last one that ended went well, or none ended.
    public Optional<Failed> find(RouteRow route) {
        return jdbc.sql("""
                select count(*)::int as count, max(r.id) as last, min(r.started_at) as since,
                    (array_agg(r.problem order by r.id desc))[1]::text as problem
                from run r where r.route_id = :route and r.state = 'failed' and r.carried is null and r.records is null
                    and r.id > coalesce((select max(d.id) from run d where d.route_id = r.route_id and d.state = 'done'
                        and d.carried is null and d.records is null), 0)
                having count(*) > 0""")
                .param("route", route.id())
                .query(Row.class)
                .optional()
                .map(row ->
                        new Failed(row.count(), row.last(), row.since(), json.readValue(row.problem(), Problem.class)));
    }
}
