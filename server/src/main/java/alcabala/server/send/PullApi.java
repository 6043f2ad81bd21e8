package alcabala.server.send;

import alcabala.server.connect.RouteRow;
import alcabala.server.connect.Routes;
import alcabala.server.release.SourcePull;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// Fetches from both sides of a route, by hand.
@RestController
@RequestMapping("/api/pull")
class PullApi {
    private final Routes routes;
    private final SourcePull source;
    private final LedgerNews news;

    record Pulled(int added, int changed, int payments, int edits, String sentence) {}

    PullApi(Routes routes, SourcePull source, LedgerNews news) {
        this.routes = routes;
        this.source = source;
        this.news = news;
    }

    @PostMapping
    Pulled pull(@RequestParam String route, Principal who) {
        RouteRow found = routes.get(route);
        LedgerNews.Brought brought = news.bring(found, who.getName());
        SourcePull.Pulled pulled = found.fromFiles() ? new SourcePull.Pulled(0, 0) : source.pull(found, who.getName());
        return new Pulled(
                pulled.added(),
                pulled.changed(),
                brought.payments(),
                brought.edits(),
                sentence(found, pulled, brought));
    }

    private static String sentence(RouteRow route, SourcePull.Pulled pulled, LedgerNews.Brought brought) {
        List<String> parts = new ArrayList<>();
        add(parts, pulled.added(), "new document from " + route.source(), "new documents from " + route.source());
        add(parts, pulled.changed(), "changed document", "changed documents");
        add(parts, brought.payments(), "payment from " + route.ledger(), "payments from " + route.ledger());
        add(parts, brought.edits(), "edit on " + route.ledger(), "edits on " + route.ledger());
        return parts.isEmpty() ? "Nothing new on either side" : String.join(", ", parts);
    }

    private static void add(List<String> parts, int count, String one, String many) {
        if (count > 0) {
            parts.add(count + " " + (count == 1 ? one : many));
        }
    }
}
