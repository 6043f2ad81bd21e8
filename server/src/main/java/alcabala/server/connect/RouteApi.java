package alcabala.server.connect;

import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.route.RouteChanges;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import java.util.UUID;
import java.util.function.Consumer;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// Which source, or site of one, crosses to which ledger.
@RestController
@RequestMapping("/api/connect/routes")
class RouteApi {
    private final RouteChanges changes;
    private final Works works;

    record AddRoute(
            @NotBlank @Pattern(regexp = "[a-z][a-z0-9-]{0,29}")
            String code,

            @NotNull Long source,
            @NotNull Long ledger,
            @NotNull @Size(max = 60) String site,
            @NotBlank @Size(max = 100) String business,
            @NotNull @Size(max = 10) List<@NotBlank @Size(max = 40) String> taxIdentifiers) {}

    /// @param code of the route that was added, ended, or begun again
    record RouteChanged(String code) {}

    RouteApi(RouteChanges changes, Works works) {
        this.changes = changes;
        this.works = works;
    }

    @PostMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<RouteChanged> add(@Valid @RequestBody AddRoute route, Principal who) {
        RouteChanges.NewRoute added = new RouteChanges.NewRoute(
                route.code(),
                route.source(),
                route.ledger(),
                route.site().trim(),
                route.business().trim(),
                route.taxIdentifiers());
        return behind(route.code(), who, at -> changes.add(added, who.getName(), at));
    }

    @DeleteMapping("/{code}")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<RouteChanged> end(@PathVariable String code, Principal who) {
        return behind(code, who, at -> changes.end(code, who.getName(), at));
    }

    @PostMapping("/{code}/again")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<RouteChanged> beginAgain(@PathVariable String code, Principal who) {
        return behind(code, who, at -> changes.beginAgain(code, who.getName(), at));
    }

    /// What goes another way is compiled again behind the request.
    private Work<RouteChanged> behind(String code, Principal who, Consumer<Progress> change) {
        return works.start(Kind.COMPILING, code + " " + UUID.randomUUID(), who.getName(), RouteChanged.class, at -> {
            change.accept(at);
            return new RouteChanged(code);
        });
    }
}
