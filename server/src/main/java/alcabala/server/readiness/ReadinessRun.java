package alcabala.server.readiness;

import alcabala.accounting.readiness.Readiness;
import alcabala.accounting.readiness.Result;
import alcabala.accounting.readiness.Result.Verdict;
import alcabala.connectors.Kept;
import alcabala.connectors.UnreachableException;
import alcabala.server.jobs.Jobs;
import alcabala.server.jobs.Retrying;
import alcabala.server.reference.AfterPull;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.trail.Trail;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Judges a route: when somebody asks, before every batch, and in the background after a pull that brought changes.
@Component
public class ReadinessRun implements AfterPull {
    private static final String WHO = "Alcabala";
    private static final String TASK = "readiness";
    private final FactGatherer facts;
    private final LastJudged kept;
    private final Routes routes;
    private final Jobs jobs;
    private final Trail trail;
    private final JdbcClient jdbc;
    private final Clock clock;

    /// What was judged, and when.
    public record Judged(List<Result> results, Instant at) {
        public long count(Verdict verdict) {
            return results.stream().filter(each -> each.verdict() == verdict).count();
        }
    }

    ReadinessRun(
            FactGatherer facts, LastJudged kept, Routes routes, Jobs jobs, Trail trail, JdbcClient jdbc, Clock clock) {
        this.facts = facts;
        this.kept = kept;
        this.routes = routes;
        this.jobs = jobs;
        this.trail = trail;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /// @throws UnreachableException when the ledger does not answer
    public Judged judge(RouteRow route) {
        Judged judged = new Judged(Readiness.judge(facts.gather(route)), clock.instant());
        jdbc.sql("""
                insert into readiness (route_id, ran_at, warns, blocks) values (:route, :now, :warns, :blocks)
                on conflict (route_id) do update set ran_at = excluded.ran_at, warns = excluded.warns, blocks = excluded.blocks""")
                .param("route", route.id())
                .param("now", Timestamp.from(judged.at()))
                .param("warns", judged.count(Verdict.WARNS))
                .param("blocks", judged.count(Verdict.BLOCKS))
                .update();
        kept.keep(route.id(), judged);
        return judged;
    }

    /// In the background; what it found stands on the trail.
    public void judgeSoon(RouteRow route, String who) {
        trail.write(route.id(), null, who, "readiness-asked", Map.of());
        judgeSoon(route);
    }

    /// In the background, as a part of what is going on anyway.
    public void judgeSoon(RouteRow route) {
        jobs.schedule(TASK, route.id());
    }

    @Override
    public void referenceChanged(long ledgerId, String who) {
        routes.all().stream()
                .filter(route -> route.ledgerId() == ledgerId)
                .forEach(route -> jobs.schedule(TASK, route.id()));
    }

    @Configuration
    static class Background {
        @Bean
        CustomTask<Void> judgeReadiness(ReadinessRun run) {
            return Tasks.custom(TASK, Void.class).onFailure(Retrying.times(3)).execute((instance, context) -> {
                run.judgeQuietly(Long.parseLong(instance.getId()));
                return (complete, operations) -> operations.remove();
            });
        }
    }

    private void judgeQuietly(long routeId) {
        try {
            Judged judged = judge(routes.get(routeId));
            trail.write(
                    routeId,
                    null,
                    WHO,
                    "readiness-judged",
                    Map.of("blocks", judged.count(Verdict.BLOCKS), "warns", judged.count(Verdict.WARNS)));
        } catch (UnreachableException e) {
            trail.write(routeId, null, WHO, "readiness-not-judged", Map.of("reason", Kept.text(e.getMessage())));
        }
    }
}
