package alcabala.server.crossing;

import alcabala.accounting.field.Half;
import alcabala.accounting.field.SentHalf;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.sync.LineMatch;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.compile.CrosswalkStore;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.stereotype.Component;

/// What stands on the ledger until something else goes there in its place, as it was read: the trail keeps it, so that
/// nobody's edit vanishes (synchronisation, "what makes it hold").
@Component
class Replaced {
    /// What follows from the lines, and what no record says of itself.
    private static final Set<String> NOT_SENT = Set.of(Half.TAX, Half.STANDING);

    private final Links links;
    private final CrosswalkStore crosswalk;

    Replaced(Links links, CrosswalkStore crosswalk) {
        this.links = links;
        this.crosswalk = crosswalk;
    }

    /// By its fields, lines counted as they go; empty for what goes in no place. What a source was told before stands
    /// in what was read of it.
    Map<String, String> by(Dispatch dispatch, LedgerEntry entry) {
        if (!dispatch.inPlace() || dispatch.back()) {
            return Map.of();
        }
        return SentHalf.find(entry)
                .flatMap(sent -> links.findSeen(dispatch.recordId()).map(there -> replaced(dispatch, sent, there)))
                .orElse(Map.of());
    }

    private Map<String, String> replaced(Dispatch dispatch, Half sent, LedgerRecord there) {
        Map<String, String> replaced = new TreeMap<>(
                LineMatch.changes(sent, crosswalk.crossed(dispatch.routeId()).ledger(there.half())));
        replaced.keySet().removeAll(NOT_SENT);
        // A party that was created on first use is not named.
        replaced.keySet()
                .removeIf(field -> field.equals(Half.PARTY) && !sent.values().containsKey(field));
        replaced.values().removeIf(String::isEmpty);
        return replaced;
    }
}
