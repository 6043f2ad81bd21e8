package alcabala.server.readiness;

import alcabala.accounting.readiness.Readiness;
import alcabala.accounting.readiness.Result;
import alcabala.accounting.readiness.Result.Verdict;
import alcabala.connectors.UnreachableException;
import alcabala.server.connect.AfterPull;
import alcabala.server.connect.RouteRow;
import alcabala.server.connect.Routes;
import alcabala.server.platform.Jobs;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Judges a route: when somebody asks, before every batch, and in the background after a pull that brought changes.
@Component
public class ReadinessRun implements AfterPull {
    private static final Logger LOG = LoggerFactory.getLogger(ReadinessRun.class);
    private static final String TASK = "readiness";
    private final FactGatherer facts;
    private final Routes routes;
    private final Jobs jobs;
    private final JdbcClient jdbc;
    private final Clock clock;

    /// What was judged, and when.
    public record Judged(List<Result> results, Instant at) {
        public long count(Verdict verdict) {
            return results.stream().filter(each -> each.verdict() == verdict).count();
        }
    }

    ReadinessRun(FactGatherer facts, Routes routes, Jobs jobs, JdbcClient jdbc, Clock clock) {
        this.facts = facts;
        this.routes = routes;
        this.jobs = jobs;
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
        return judged;
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
            return Tasks.custom(TASK, Void.class).execute((instance, context) -> {
                run.judgeQuietly(Long.parseLong(instance.getId()));
                return (complete, operations) -> operations.remove();
            });
        }
    }

    private void judgeQuietly(long routeId) {
        try {
            judge(routes.get(routeId));
        } catch (UnreachableException e) {
            LOG.warn("readiness of route {} not judged: {}", routeId, e.getMessage());
        }
    }
}
