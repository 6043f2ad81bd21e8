package alcabala.server.link;

import alcabala.server.crossing.LeftAlone;
import alcabala.server.crossing.LinkedByHand;
import alcabala.server.record.Records;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.security.Principal;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// Says of a record that nobody is to be asked about it any more, and takes that back. One that was unlinked goes
/// together again with what it stood for.
@RestController
@RequestMapping("/api/documents/{id}/left-alone")
class LeftAloneApi {
    private final Records records;
    private final Routes routes;
    private final LeftAlone alone;
    private final LinkedByHand links;

    LeftAloneApi(Records records, Routes routes, LeftAlone alone, LinkedByHand links) {
        this.records = records;
        this.routes = routes;
        this.alone = alone;
        this.links = links;
    }

    @PutMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void leave(@PathVariable long id, Principal who) {
        Records.Row record = records.get(id);
        routes.get(record.routeId());
        alone.leave(record, who.getName());
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void lookAfter(@PathVariable long id, Principal who) {
        Records.Row record = records.get(id);
        RouteRow route = routes.get(record.routeId());
        if (links.isUnlinked(id)) {
            links.linkAgain(route, record, who.getName());
        } else {
            alone.lookAfter(record, who.getName());
        }
    }
}
