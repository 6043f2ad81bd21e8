package alcabala.server.trail;

import alcabala.server.platform.NotPossibleException;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// The trail of settings; that of a document stands with the document.
@RestController
@RequestMapping("/api/trail")
class TrailApi {
    private static final int PAGE = 100;
    private final Trail trail;
    private final TrailSeal seal;

    TrailApi(Trail trail, TrailSeal seal) {
        this.trail = trail;
        this.seal = seal;
    }

    @GetMapping
    List<Trail.TrailEntry> ofSettings(
            @RequestParam(defaultValue = "") String who,
            @RequestParam(defaultValue = "") String text,
            @RequestParam(required = false) Long before) {
        return trail.ofSettings(who, text, before, PAGE);
    }

    /// Looks whether the whole trail is as it was sealed.
    @PostMapping("/check")
    TrailSeal.Checked check() {
        return seal.check();
    }

    /// To be kept elsewhere, and to be held against the trail by `./alcabala trail check`.
    @GetMapping("/anchor")
    TrailSeal.Anchor anchor() {
        return seal.findAnchor().orElseThrow(() -> NotPossibleException.missing("block of the trail yet"));
    }
}
