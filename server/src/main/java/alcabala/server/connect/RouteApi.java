package alcabala.server.connect;

import alcabala.server.route.RouteChanges;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
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

    record AddRoute(
            @NotBlank @Pattern(regexp = "[a-z][a-z0-9-]{0,29}")
            String code,

            @NotNull Long source,
            @NotNull Long ledger,
            @NotNull @Size(max = 60) String site,
            @NotBlank @Size(max = 100) String business,
            @NotNull @Size(max = 10) List<@NotBlank @Size(max = 40) String> taxIdentifiers) {}

    record RouteAdded(String code) {}

    RouteApi(RouteChanges changes) {
        this.changes = changes;
    }

    @PostMapping
    RouteAdded add(@Valid @RequestBody AddRoute route, Principal who) {
        return new RouteAdded(changes.add(
                new RouteChanges.NewRoute(
                        route.code(),
                        route.source(),
                        route.ledger(),
                        route.site().trim(),
                        route.business().trim(),
                        route.taxIdentifiers()),
                who.getName()));
    }

    @DeleteMapping("/{code}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable String code, Principal who) {
        changes.end(code, who.getName());
    }

    @PostMapping("/{code}/again")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void beginAgain(@PathVariable String code, Principal who) {
        changes.beginAgain(code, who.getName());
    }
}
