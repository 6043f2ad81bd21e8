package alcabala.server.trail;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// The trail of settings; that of a document stands with the document.
@RestController
@RequestMapping("/api/trail")
class TrailApi {
    private static final int PAGE = 100;
    private final Trail trail;

    TrailApi(Trail trail) {
        this.trail = trail;
    }

    @GetMapping
    List<Trail.TrailEntry> ofSettings(
            @RequestParam(defaultValue = "") String who,
            @RequestParam(defaultValue = "") String text,
            @RequestParam(required = false) Long before) {
        return trail.ofSettings(who, text, before, PAGE);
    }
}
