package alcabala.server.compile;

import alcabala.server.reference.AfterPull;
import alcabala.server.route.Routes;
import java.util.Set;
import org.springframework.stereotype.Component;

/// What a ledger changed of its own may block or release documents of every route that leads to it.
@Component
class CompileAfterPull implements AfterPull {
    private final Routes routes;
    private final Affected affected;

    CompileAfterPull(Routes routes, Affected affected) {
        this.routes = routes;
        this.affected = affected;
    }

    @Override
    public void referenceChanged(long ledgerId, String who) {
        routes.all().stream().filter(route -> route.ledgerId() == ledgerId).forEach(route -> {
            routes.lock(route.id());
            affected.compileAgain(route.id(), Set.of(), who, "the ledger's own tables");
        });
    }
}
