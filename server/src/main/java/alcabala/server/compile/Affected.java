package alcabala.server.compile;

import alcabala.server.jobs.Works.Progress;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
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

    /// @param documents those meant, as far as they have not crossed
    Released compileAgain(long routeId, List<Long> documents, String who, String because);

    /// What became ready by it, and what is blocked that was not.
    ///
    /// @param gross minor units by currency
    record Released(int count, Map<String, Long> gross, int blockedAgain) {
        public static final Released NONE = new Released(0, Map.of(), 0);

        Released plus(Released other) {
            Map<String, Long> sums = new HashMap<>(gross);
            other.gross().forEach((currency, minor) -> sums.merge(currency, minor, Long::sum));
            return new Released(count + other.count(), sums, blockedAgain + other.blockedAgain());
        }
    }
}
