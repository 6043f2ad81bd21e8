package alcabala.server.platform;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/// The addresses of the screens, all served by the one page.
@Controller
class Screens {
    @GetMapping({
        "/sign-in",
        "/first",
        "/you",
        "/connect",
        "/connect/return",
        "/map",
        "/release",
        "/documents/{id}",
        "/send",
        "/map/parties/{code}",
        "/map/what-if",
        "/map/corrections",
        "/map/history",
        "/map/bulk",
        "/map/names",
        "/map/twins",
        "/map/then",
        "/send/{id}",
        "/send/{id}/undo",
        "/clear",
        "/clear/banking",
        "/resolve",
        "/tie-out"
    })
    String page() {
        return "forward:/index.html";
    }
}
