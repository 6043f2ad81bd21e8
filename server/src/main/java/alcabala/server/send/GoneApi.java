package alcabala.server.send;

import alcabala.server.crossing.Gone;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// A person says that what one side does not have any more follows the side that made it: it goes again where it is
/// missing, or is taken back where it still stands.
@RestController
@RequestMapping("/api/documents/gone")
class GoneApi {
    private final Routes routes;
    private final Gone gone;
    private final Triggered triggered;

    record GoneRecords(
            @NotBlank @Size(max = 100) String route,
            @NotNull @Size(min = 1, max = 500) List<@NotNull Long> ids) {}

    /// @param going how many are on their way
    /// @param left how many cannot go now, and why is said where they are shown
    record GoneFollowed(int going, int left) {}

    GoneApi(Routes routes, Gone gone, Triggered triggered) {
        this.routes = routes;
        this.gone = gone;
        this.triggered = triggered;
    }

    @PostMapping
    GoneFollowed follow(@Valid @RequestBody GoneRecords said, Principal who) {
        RouteRow route = routes.get(said.route());
        List<Long> followed = gone.follow(route.id(), said.ids(), who.getName());
        if (followed.isEmpty()) {
            throw NotPossibleException.conflict(
                    "nothing-gone", "They are there again by now, or somebody has answered; look at them again.");
        }
        int going = triggered.sendNamed(route, followed, who.getName());
        return new GoneFollowed(going, followed.size() - going);
    }
}
