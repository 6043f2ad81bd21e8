package alcabala.server.jobs;

import alcabala.server.access.RouteScope;
import java.security.Principal;
import java.util.List;
import org.springframework.security.core.Authentication;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// How far work has come that a request began. What it comes to has the shape that the request was answered with.
@RestController
@RequestMapping("/api/work")
class WorkApi {
    private final Works works;

    WorkApi(Works works) {
        this.works = works;
    }

    /// What is going on now, on whichever server, the oldest first.
    @GetMapping
    List<Works.Running> running(Principal who) {
        return works.running(isAdministrator(who), onlyOf(who));
    }

    @GetMapping("/{id}")
    Work<Object> get(@PathVariable long id, Principal who) {
        return works.get(id, isAdministrator(who), onlyOf(who));
    }

    private static boolean isAdministrator(Principal who) {
        return who instanceof Authentication authentication
                && authentication.getAuthorities().stream()
                        .anyMatch(each -> each.getAuthority().equals("ROLE_ADMINISTRATOR"));
    }

    /// Who comes with a token for one route sees what she began herself.
    private static String onlyOf(Principal who) {
        return RouteScope.find().isPresent() ? who.getName() : "";
    }
}
