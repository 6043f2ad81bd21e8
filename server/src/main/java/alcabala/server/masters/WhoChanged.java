package alcabala.server.masters;

import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.LastChanges;
import alcabala.accounting.sync.Side;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.ledger.TellsWhoChanged;
import alcabala.server.route.RouteRow;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/// Asks both sides when and by whom masters were last changed there.
@Component
class WhoChanged {
    static final Both<LastChanges> NOTHING_TOLD = new Both<>(LastChanges.NONE, LastChanges.NONE);
    private final MasterSides sides;

    WhoChanged(MasterSides sides) {
        this.sides = sides;
    }

    /// Of all of these; nothing of a side that does not tell, or tells what nobody can use.
    ///
    /// @throws UnreachableException when a side that tells does not answer
    Map<MasterPair, Both<LastChanges>> of(RouteRow route, Master master, Collection<MasterPair> pairs) {
        if (pairs.isEmpty()) {
            return Map.of();
        }
        Map<String, LastChanges> source = told(route, master, Side.SOURCE, pairs);
        Map<String, LastChanges> ledger = told(route, master, Side.LEDGER, pairs);
        Map<MasterPair, Both<LastChanges>> told = new HashMap<>();
        pairs.forEach(pair -> told.put(
                pair,
                new Both<>(
                        source.getOrDefault(pair.code(), LastChanges.NONE),
                        ledger.getOrDefault(pair.counterpart(), LastChanges.NONE))));
        return told;
    }

    private Map<String, LastChanges> told(RouteRow route, Master master, Side side, Collection<MasterPair> pairs) {
        Optional<TellsWhoChanged> tells = sides.of(route, side).find(TellsWhoChanged.class);
        Map<String, LastChanges> told = new HashMap<>();
        if (tells.isEmpty()) {
            return told;
        }
        List<String> codes = pairs.stream().map(pair -> pair.code(side)).toList();
        try {
            for (int from = 0; from < codes.size(); from += TellsWhoChanged.MOST) {
                int to = Math.min(from + TellsWhoChanged.MOST, codes.size());
                told.putAll(master.changed(tells.get(), codes.subList(from, to)));
            }
        } catch (AnswerUnusableException e) {
            // Who it was is nice to know; what is to become of it can be said without.
            return Map.of();
        }
        return told;
    }
}
