package alcabala.server.send;

import alcabala.server.crossing.LedgerNews;
import alcabala.server.intake.Intake.TakenIn;
import alcabala.server.intake.SourcePull;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// Fetches from both sides of a route, by hand.
@RestController
@RequestMapping("/api/pull")
class PullApi {
    private final Routes routes;
    private final SourcePull source;
    private final LedgerNews news;
    private final Settlement settlement;
    private final Triggered triggered;
    private final Works works;

    record Pulled(int added, int changed, int payments, int edits, int sending, String sentence) {}

    PullApi(
            Routes routes,
            SourcePull source,
            LedgerNews news,
            Settlement settlement,
            Triggered triggered,
            Works works) {
        this.routes = routes;
        this.source = source;
        this.news = news;
        this.settlement = settlement;
        this.triggered = triggered;
        this.works = works;
    }

    /// The same fetch asked for by several people is done once.
    @PostMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<Pulled> pull(@RequestParam String route, Principal who) {
        RouteRow found = routes.get(route);
        return works.start(
                Kind.PULL, "route " + found.code(), who.getName(), Pulled.class, at -> pull(found, who.getName(), at));
    }

    private Pulled pull(RouteRow route, String who, Progress at) {
        LedgerNews.Brought brought =
                route.ledgerAnswers() ? news.bring(route, who) : new LedgerNews.Brought(0, 0, false);
        at.at(1, 3);
        TakenIn pulled = route.fromFiles() ? TakenIn.NOTHING : source.pull(route.sourceId(), who);
        at.at(2, 3);
        int stand = routes.ofSource(route.sourceId()).stream()
                .mapToInt(each -> settlement.letStand(each, who))
                .sum();
        int sending = routes.ofSource(route.sourceId()).stream()
                .mapToInt(each -> triggered.send(each, who))
                .sum();
        return new Pulled(
                pulled.added(),
                pulled.changed(),
                brought.payments(),
                brought.edits(),
                sending,
                sentence(route, pulled, brought, stand, sending));
    }

    /// What an app knows, also before it has a route.
    @PostMapping("/sources/{id}")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<Pulled> pullSource(@PathVariable long id, Principal who) {
        return works.start(Kind.PULL, "source " + id, who.getName(), Pulled.class, at -> pullSource(id, who.getName()));
    }

    private Pulled pullSource(long id, String who) {
        TakenIn pulled = source.pull(id, who);
        List<String> parts = new ArrayList<>();
        add(parts, pulled.documents().added(), "new document", "new documents");
        add(parts, pulled.settlements().added(), "new payment", "new payments");
        String news = parts.isEmpty() ? "0 new documents" : String.join(", ", parts);
        return new Pulled(pulled.added(), pulled.changed(), 0, 0, 0, "Fetched; " + news);
    }

    private static String sentence(RouteRow route, TakenIn pulled, LedgerNews.Brought brought, int stand, int sending) {
        List<String> parts = new ArrayList<>();
        String from = " from " + route.source();
        add(parts, pulled.documents().added(), "new document" + from, "new documents" + from);
        add(parts, pulled.documents().changed(), "changed document", "changed documents");
        add(parts, pulled.settlements().added(), "new payment" + from, "new payments" + from);
        add(parts, pulled.settlements().changed(), "changed payment", "changed payments");
        add(parts, brought.payments(), "payment from " + route.ledger(), "payments from " + route.ledger());
        add(parts, brought.edits(), "edit on " + route.ledger(), "edits on " + route.ledger());
        add(parts, stand, "of them stands there", "of them stand there");
        add(parts, sending, "record on its way by itself", "records on their way by themselves");
        return parts.isEmpty() ? "Nothing new on either side" : String.join(", ", parts);
    }

    private static void add(List<String> parts, int count, String one, String many) {
        if (count > 0) {
            parts.add(count + " " + (count == 1 ? one : many));
        }
    }
}
