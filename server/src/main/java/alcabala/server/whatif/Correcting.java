package alcabala.server.whatif;

import alcabala.server.jobs.Works.Progress;
import alcabala.server.map.Mapping;
import alcabala.server.map.Mapping.Change;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Saves a row with what puts right what was booked before it, all or nothing.
@Component
class Correcting {
    private final Routes routes;
    private final WhatIf whatIf;
    private final Mapping mapping;
    private final CorrectionStore corrections;

    /// @param correction null where nothing had to be put right
    record Saved(Mapping.Changed changed, Long correction) {}

    Correcting(Routes routes, WhatIf whatIf, Mapping mapping, CorrectionStore corrections) {
        this.routes = routes;
        this.whatIf = whatIf;
        this.mapping = mapping;
        this.corrections = corrections;
    }

    /// What is posted is looked at before the row is changed, with the route held, so that nothing crosses in
    /// between.
    @Transactional
    public Saved save(RouteRow route, Change change, String who, Progress at) {
        routes.lock(route.id());
        PostedPage posted = whatIf.of(route, change, at).posted();
        Mapping.Changed changed = mapping.change(route, change, who, at);
        if (posted.journals().isEmpty()) {
            return new Saved(changed, null);
        }
        int version = changed.after() == null ? 0 : changed.after().version();
        return new Saved(changed, corrections.draft(route, change, version, posted, who));
    }
}
