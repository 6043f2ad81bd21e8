package alcabala.server.jobs;

import alcabala.server.access.RouteScope;
import java.security.Principal;
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

    @GetMapping("/{id}")
    Work<Object> get(@PathVariable long id, Principal who) {
        boolean administrator = who instanceof Authentication authentication
                && authentication.getAuthorities().stream()
                        .anyMatch(each -> each.getAuthority().equals("ROLE_ADMINISTRATOR"));
        // Who comes with a token for one route sees what she began herself.
        return works.get(id, administrator, RouteScope.find().isPresent() ? who.getName() : "");
    }
}
