package alcabala.server.crossing;

import alcabala.accounting.field.Half;
import alcabala.accounting.sync.Crossed;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.platform.Amounts;
import alcabala.server.trail.Trail;
import java.util.Map;
import org.springframework.stereotype.Component;

/// Tells of what somebody edited on the ledger, as it was read: each edit stands on the trail before anything is put in
/// its place.
@Component
class EditedThere {
    private final Links links;
    private final CrosswalkStore crosswalk;
    private final Outcomes outcomes;
    private final Trail trail;

    /// A record of ours as it was read there.
    ///
    /// @param agreed the ledger's half of the baseline
    record Read(long routeId, long recordId, String currency, Crossed crossed, Half agreed, LedgerRecord there) {
        boolean differs() {
            return crossed.differsThere(agreed, there.half());
        }
    }

    EditedThere(Links links, CrosswalkStore crosswalk, Outcomes outcomes, Trail trail) {
        this.links = links;
        this.crosswalk = crosswalk;
        this.outcomes = outcomes;
        this.trail = trail;
    }

    void tell(Read read, boolean differs, String who) {
        trail.write(
                read.routeId(),
                read.recordId(),
                who,
                differs ? "edited-on-ledger" : "agrees-again",
                Map.of(
                        "gross",
                        Amounts.decimal(
                                read.currency(),
                                Amounts.minor(read.currency(), read.there().gross())),
                        "version",
                        read.there().version(),
                        "changed",
                        read.crossed().changesThere(read.agreed(), read.there().half())));
    }

    /// What was read while a change of ours was on its way could have been that change. It did not get there, so that
    /// it
    /// was somebody's.
    void heed(Dispatch change, String who) {
        links.find(change.recordId()).ifPresent(pair -> {
            Read read = new Read(
                    change.routeId(),
                    change.recordId(),
                    change.currency(),
                    crosswalk.crossed(change.routeId()),
                    pair.halves().ledger(),
                    pair.now());
            boolean differs = read.differs();
            if (outcomes.differs(change.recordId(), differs)) {
                tell(read, differs, who);
            }
        });
    }
}
