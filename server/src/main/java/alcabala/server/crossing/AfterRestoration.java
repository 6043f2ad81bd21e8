package alcabala.server.crossing;

import alcabala.server.jobs.Works;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.util.concurrent.TimeUnit;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/// Asks ledgers by itself what they have beyond a state that was put back, again and again until each has told.
@Component
class AfterRestoration {
    private final Restorations restorations;
    private final Routes routes;
    private final LedgerNews news;
    private final Works works;

    AfterRestoration(Restorations restorations, Routes routes, LedgerNews news, Works works) {
        this.restorations = restorations;
        this.routes = routes;
        this.news = news;
        this.works = works;
    }

    @Scheduled(initialDelay = 2, fixedDelay = 30, timeUnit = TimeUnit.SECONDS)
    void ask() {
        for (long id : restorations.findUnaccounted()) {
            RouteRow route = routes.get(id);
            works.start(
                    Works.Kind.PULL,
                    "ledger " + route.ledger(),
                    "Alcabala",
                    LedgerNews.Brought.class,
                    at -> news.bring(route, "Alcabala"));
        }
    }
}
