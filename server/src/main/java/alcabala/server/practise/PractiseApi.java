package alcabala.server.practise;

import alcabala.server.platform.NotPossibleException;
import alcabala.server.practise.PracticeStore.Practice;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// Faults to learn the job on; of the demo alone.
@RestController
@RequestMapping("/api/practise")
@ConditionalOnProperty("alcabala.demo")
class PractiseApi {
    private final Practising practising;
    private final PracticeStore store;
    private final Routes routes;

    record PractiseJson(List<FaultJson> faults, List<PracticeJson> practices) {}

    record FaultJson(Fault fault, String title) {}

    /// @param title of the fault; empty while it is open, so that nothing is given away
    /// @param namedAfter seconds until Resolve named it; null until then
    /// @param rightedAfter seconds until it was put right; null until then
    record PracticeJson(
            long id,
            String title,
            String by,
            Instant begunAt,
            Integer namedAfter,
            Integer rightedAfter,
            boolean givenUp) {}

    /// @param fault null for any one
    record PractiseWanted(@NotBlank @Size(max = 100) String route, Fault fault) {}

    PractiseApi(Practising practising, PracticeStore store, Routes routes) {
        this.practising = practising;
        this.store = store;
        this.routes = routes;
    }

    @GetMapping
    PractiseJson practises(@RequestParam String route) {
        return json(routes.getLeading(route));
    }

    @PostMapping
    PractiseJson begin(@Valid @RequestBody PractiseWanted wanted, Principal who) {
        RouteRow route = routes.getLeading(wanted.route());
        if (route.fromFiles() || !route.ledgerAnswers()) {
            throw NotPossibleException.invalid(
                    "not-practised", "Files do not go wrong by themselves: practise on a route between two systems.");
        }
        if (wanted.fault() == null) {
            practising.any(route, who.getName());
        } else {
            practising.begin(route, wanted.fault(), who.getName());
        }
        return json(route);
    }

    /// Says what it was; it stays as it is until somebody puts it right.
    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void giveUp(@PathVariable long id) {
        if (!store.giveUp(id)) {
            throw NotPossibleException.missing("open practice " + id);
        }
    }

    private PractiseJson json(RouteRow route) {
        return new PractiseJson(
                Arrays.stream(Fault.values())
                        .map(each -> new FaultJson(each, each.title()))
                        .toList(),
                store.latest(route).stream().map(PractiseApi::json).toList());
    }

    private static PracticeJson json(Practice practice) {
        return new PracticeJson(
                practice.id(),
                practice.isOpen() ? "" : practice.fault().title(),
                practice.by(),
                practice.begunAt(),
                after(practice.begunAt(), practice.namedAt()),
                after(practice.begunAt(), practice.rightedAt()),
                practice.givenUpAt() != null);
    }

    private static Integer after(Instant begun, Instant then) {
        return then == null ? null : (int) Duration.between(begun, then).toSeconds();
    }
}
