package alcabala.server.register;

import alcabala.server.crossing.BatchHeads;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.security.Principal;
import java.time.LocalDate;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// Prints what crossed.
@RestController
class RegisterApi {
    private final Routes routes;
    private final BatchHeads heads;
    private final Reports reports;

    RegisterApi(Routes routes, BatchHeads heads, Reports reports) {
        this.routes = routes;
        this.heads = heads;
        this.reports = reports;
    }

    /// A batch: its journal, what was sold and how it was paid, and each record.
    @GetMapping("/api/batches/{id}/report")
    ResponseEntity<byte[]> batch(@PathVariable long id, @RequestParam(defaultValue = "PDF") Medium as, Principal who) {
        RouteRow route = routes.get(heads.routeOf(id));
        return as.print(reports.ofBatch(route, id, who.getName()), "batch-" + id)
                .answer();
    }

    /// The same of all that came to stand on the ledger from one day to another.
    @GetMapping("/api/register")
    ResponseEntity<byte[]> period(
            @RequestParam String route,
            @RequestParam LocalDate from,
            @RequestParam LocalDate to,
            @RequestParam(defaultValue = "PDF") Medium as,
            Principal who) {
        if (to.isBefore(from)) {
            throw NotPossibleException.invalid("period-turned", "The period ends before it begins.");
        }
        RouteRow found = routes.getLeading(route);
        return reports.period(found, from, to, as, who.getName()).answer();
    }
}
