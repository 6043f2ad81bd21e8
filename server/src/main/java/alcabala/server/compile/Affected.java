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
    /// @param documents what they come to, minor units by currency
    /// @param money what settlements come to, likewise
    record Released(int count, Map<String, Long> documents, Map<String, Long> money, int blockedAgain) {
        public static final Released NONE = new Released(0, Map.of(), Map.of(), 0);

        static Released document(String currency, long minor) {
            return new Released(1, Map.of(currency, minor), Map.of(), 0);
        }

        static Released settlement(String currency, long minor) {
            return new Released(1, Map.of(), Map.of(currency, minor), 0);
        }

        static Released blockedAgain(int count) {
            return new Released(0, Map.of(), Map.of(), count);
        }

        /// Money is never added to the documents that it settles.
        public Map<String, Long> gross() {
            return documents.isEmpty() ? money : documents;
        }

        Released plus(Released other) {
            return new Released(
                    count + other.count(),
                    together(documents, other.documents()),
                    together(money, other.money()),
                    blockedAgain + other.blockedAgain());
        }

        private static Map<String, Long> together(Map<String, Long> one, Map<String, Long> other) {
            Map<String, Long> both = new HashMap<>(one);
            other.forEach((currency, minor) -> both.merge(currency, minor, Long::sum));
            return both;
        }
    }
}
