package alcabala.server.compile;

import alcabala.server.jobs.Works.Progress;
import java.util.List;
import java.util.Set;

/// Compiles again what a change of the crosswalk or of the ledger touches. What is on its way is left alone: it goes
/// as it was shown, and is compiled again should it come back.
public interface Affected {
    /// @param refs such as `item:RIG-0042`; empty for all documents of the route that have not crossed
    default Released compileAgain(long routeId, Set<String> refs, String who, String because) {
        return compileAgain(routeId, refs, who, because, (done, of) -> {});
    }

    /// The same, saying how far it has come.
    Released compileAgain(long routeId, Set<String> refs, String who, String because, Progress at);

    /// It stands on the ledger without having been sent: what kept it from crossing does so no more.
    void standsThere(long recordId);

    /// @param documents those meant, as far as they have not crossed
    Released compileAgain(long routeId, List<Long> documents, String who, String because);
}
