package alcabala.server.compile;

import alcabala.accounting.posting.Compiler;
import alcabala.server.jobs.Jobs;
import alcabala.server.jobs.Retrying;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.util.Set;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// What was compiled by the rules of a former version is compiled again by those of this one, in the background. It is
/// found out before anything else is taken in, which needs no compiling again.
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class CompileAfterUpgrade implements ApplicationRunner {
    private static final String TASK = "compile-route";
    private static final String WHO = "Alcabala";
    private final JdbcClient jdbc;
    private final Routes routes;
    private final Affected affected;
    private final Jobs jobs;

    CompileAfterUpgrade(JdbcClient jdbc, Routes routes, Affected affected, Jobs jobs) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.affected = affected;
        this.jobs = jobs;
    }

    @Override
    @Transactional
    public void run(ApplicationArguments arguments) {
        int older = jdbc.sql("update compiled_by set rules = :rules where rules < :rules")
                .param("rules", Compiler.RULES)
                .update();
        if (older > 0) {
            routes.all().forEach(route -> jobs.schedule(TASK, route.id()));
        }
    }

    @Transactional
    public void compile(long routeId) {
        RouteRow route = routes.get(routeId);
        routes.lock(route.id());
        affected.compileAgain(route.id(), Set.of(), WHO, "the rules of another version of Alcabala");
    }

    @Configuration
    static class Background {
        @Bean
        CustomTask<Void> compileRoute(CompileAfterUpgrade upgrade) {
            return Tasks.custom(TASK, Void.class).onFailure(Retrying.times(5)).execute((instance, context) -> {
                upgrade.compile(Long.parseLong(instance.getId()));
                return (complete, operations) -> operations.remove();
            });
        }
    }
}
