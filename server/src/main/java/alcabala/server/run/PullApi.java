package alcabala.server.run;

import alcabala.accounting.setting.Carried;
import alcabala.server.intake.Intake.TakenIn;
import alcabala.server.intake.SourcePull;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.route.Routes;
import alcabala.server.run.Runner.Pulled;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// Fetches by hand.
@RestController
@RequestMapping("/api/pull")
class PullApi {
    private final Routes routes;
    private final SourcePull source;
    private final ByHand byHand;
    private final Works works;

    PullApi(Routes routes, SourcePull source, ByHand byHand, Works works) {
        this.routes = routes;
        this.source = source;
        this.byHand = byHand;
        this.works = works;
    }

    /// From both sides of a route: a run of it.
    ///
    /// @param carried what of it alone is acted upon; everything without
    @PostMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<Pulled> pull(@RequestParam String route, @RequestParam(required = false) Carried carried, Principal who) {
        Extent extent = carried == null || carried == Carried.EVERYTHING ? Extent.ROUTE : Extent.of(carried);
        return byHand.ask(routes.get(route), extent, who.getName());
    }

    record LookAt(
            @NotBlank String route,
            @NotEmpty @Size(max = 500) List<@NotNull Long> records) {}

    /// Single records, read anew from both sides.
    @PostMapping("/records")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<Pulled> look(@Valid @RequestBody LookAt asked, Principal who) {
        return byHand.ask(routes.get(asked.route()), Extent.of(asked.records()), who.getName());
    }

    /// What an app knows, also before it has a route.
    @PostMapping("/sources/{id}")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<Pulled> pullSource(@PathVariable long id, Principal who) {
        return works.start(Kind.PULL, "source " + id, who.getName(), Pulled.class, at -> pullSource(id, who.getName()));
    }

    private Pulled pullSource(long id, String who) {
        TakenIn pulled = source.pull(id, who);
        List<String> parts = new ArrayList<>();
        Runner.add(parts, pulled.documents().added(), "new document", "new documents");
        Runner.add(parts, pulled.settlements().added(), "new payment", "new payments");
        String news = parts.isEmpty() ? "0 new documents" : String.join(", ", parts);
        return new Pulled(pulled.added(), pulled.changed(), 0, 0, 0, 0, "Fetched; " + news);
    }
}
