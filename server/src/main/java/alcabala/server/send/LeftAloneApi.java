package alcabala.server.send;

import alcabala.server.crossing.LeftAlone;
import alcabala.server.record.Records;
import alcabala.server.route.Routes;
import java.security.Principal;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// Says of a record that nobody is to be asked about it any more, and takes that back.
@RestController
@RequestMapping("/api/documents/{id}/left-alone")
class LeftAloneApi {
    private final Records records;
    private final Routes routes;
    private final LeftAlone alone;

    LeftAloneApi(Records records, Routes routes, LeftAlone alone) {
        this.records = records;
        this.routes = routes;
        this.alone = alone;
    }

    @PutMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void leave(@PathVariable long id, Principal who) {
        alone.leave(get(id), who.getName());
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void lookAfter(@PathVariable long id, Principal who) {
        alone.lookAfter(get(id), who.getName());
    }

    private Records.Row get(long id) {
        Records.Row record = records.get(id);
        routes.get(record.routeId());
        return record;
    }
}
