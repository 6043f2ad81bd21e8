package alcabala.server.resolve;

import alcabala.server.route.RouteRow;
import java.util.HashSet;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// All that Resolve names of a route at this moment, with whom or what each is about.
@Component
public class Causes {
    private final HeldRecords records;
    private final Warnings warnings;
    private final FailedRuns runs;
    private final JdbcClient jdbc;

    /// @param cause as Resolve calls it; `party:` with the field for a question about one; `run-failed`
    /// @param subject the id of a record that was sent, the number of one that was not, the code of a party; empty
    /// where it is about the route as a whole
    public record Named(String cause, String subject) {}

    Causes(HeldRecords records, Warnings warnings, FailedRuns runs, JdbcClient jdbc) {
        this.records = records;
        this.warnings = warnings;
        this.runs = runs;
        this.jdbc = jdbc;
    }

    public Set<Named> of(RouteRow route) {
        Set<Named> named = new HashSet<>();
        records.of(route).forEach(held -> named.add(new Named(held.cause(), String.valueOf(held.id()))));
        warnings.of(route).forEach(warning -> {
            named.add(new Named(warning.cause(), ""));
            warning.subjects().forEach(subject -> named.add(new Named(warning.cause(), subject)));
        });
        named.addAll(jdbc.sql("""
                        select case kind when 'PARTIES' then 'party:' else 'item:' end || field as cause, code as subject
                        from master_question where route_id = :route
                        union all
                        select case kind when 'PARTIES' then 'party:' else 'item:' end
                            || case state when 'asked' then 'like' else 'not-taken' end, counterpart
                        from master_lacking where route_id = :route and state in ('asked', 'refused')""").param("route", route.id()).query(Named.class).list());
        runs.find(route).ifPresent(failed -> named.add(new Named("run-failed", "")));
        return named;
    }
}
