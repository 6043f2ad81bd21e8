package alcabala.server.readiness;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// The first set-up in the order of the work. Nothing is remembered: how far it is follows from what is there, so it
/// can be left and taken up again, in another browser or by another person.
@RestController
@RequestMapping("/api/setup")
class SetupApi {
    private final JdbcClient jdbc;

    /// The steps, in their order.
    enum Step {
        LEDGER,
        SOURCE,
        ROUTE,
        DOCUMENTS,
        ROLES,
        TAXES,
        CATEGORIES,
        PARTIES,
        DRY_RUN,
        FIRST_BATCH
    }

    /// @param open how many things of this step are still to do
    record StepJson(Step step, boolean done, int open) {}

    /// @param route the route that is being set up; absent before there is one
    record SetupJson(String route, List<StepJson> steps) {}

    private record Counts(
            int ledgers,
            int pulled,
            int sources,
            int documents,
            int roles,
            int taxes,
            int categories,
            int parties,
            int judged,
            int batches) {}

    SetupApi(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @GetMapping
    SetupJson setup(@RequestParam(defaultValue = "") String route) {
        Optional<Long> found = jdbc.sql("select id from route where leads order by code <> :code, id limit 1")
                .param("code", route)
                .query(Long.class)
                .optional();
        Counts counts = jdbc.sql(COUNTS)
                .param("route", found.orElse(-1L))
                .query(Counts.class)
                .single();
        boolean routed = found.isPresent();
        boolean fed = counts.documents() > 0;
        List<StepJson> steps = new ArrayList<>();
        steps.add(new StepJson(Step.LEDGER, counts.pulled() > 0, counts.ledgers() - counts.pulled()));
        steps.add(new StepJson(Step.SOURCE, counts.sources() > 0, 0));
        steps.add(new StepJson(Step.ROUTE, routed, 0));
        steps.add(new StepJson(Step.DOCUMENTS, fed, 0));
        steps.add(open(Step.ROLES, fed, counts.roles()));
        steps.add(open(Step.TAXES, fed, counts.taxes()));
        steps.add(open(Step.CATEGORIES, fed, counts.categories()));
        steps.add(open(Step.PARTIES, fed, counts.parties()));
        steps.add(new StepJson(Step.DRY_RUN, fed && counts.judged() > 0, 0));
        steps.add(new StepJson(Step.FIRST_BATCH, counts.batches() > 0, 0));
        String code = found.map(id -> jdbc.sql("select code from route where id = :id")
                        .param("id", id)
                        .query(String.class)
                        .single())
                .orElse(null);
        return new SetupJson(code, steps);
    }

    private static StepJson open(Step step, boolean fed, int open) {
        return new StepJson(step, fed && open == 0, open);
    }

    private static final String CAUSES = """
            (select count(distinct f.cause) from finding f join record d on d.id = f.record_id
             where d.route_id = :route and f.severity = 'blocks' and d.outcome is distinct from 'posted' and f.cause ~ '%s')""";
    private static final String COUNTS = """
            select (select count(*) from ledger where connected) as ledgers,
                (select count(*) from ledger where connected and pulled_at is not null) as pulled,
                (select count(*) from source where connected) as sources,
                (select count(*) from record where route_id = :route) as documents,
                %s as roles, %s as taxes, %s as categories, %s as parties,
                (select count(*) from readiness where route_id = :route) as judged,
                (select count(*) from batch where route_id = :route) as batches""".formatted(
                    CAUSES.formatted("^role-unset"),
                    CAUSES.formatted("^tax-unmapped"),
                    CAUSES.formatted("^(item|category)-unmapped"),
                    CAUSES.formatted("^party-(doubtful|missing)"));
}
