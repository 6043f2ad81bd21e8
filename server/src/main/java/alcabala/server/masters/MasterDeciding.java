package alcabala.server.masters;

import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.LastChanges;
import alcabala.accounting.sync.RecordMerge;
import alcabala.accounting.sync.RecordMerge.Merged;
import alcabala.accounting.sync.Verdict;
import alcabala.connectors.UnreachableException;
import alcabala.server.route.RouteRow;
import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/// Decides what becomes of pairs. Where somebody has to be asked, both sides are asked first who changed it and when:
/// that is shown, and where the later wins, it decides.
@Component
class MasterDeciding {
    private final WhoChanged who;
    private final Clock clock;

    /// @param told when each side says that it was changed there; nothing where nobody has to be asked
    record Decided(Merged merged, Both<LastChanges> told) {}

    MasterDeciding(WhoChanged who, Clock clock) {
        this.who = who;
        this.clock = clock;
    }

    /// In the order of the pairs.
    ///
    /// @throws UnreachableException when a side does not say when it was changed, and that decides
    Map<MasterPair, Decided> of(RouteRow route, MasterRulesNow rules, List<MasterPair> pairs) {
        Map<MasterPair, Decided> decided = new LinkedHashMap<>();
        pairs.forEach(pair -> decided.put(
                pair,
                new Decided(
                        RecordMerge.merge(pair.values(), pair.baseline(), rules.of(pair)), WhoChanged.NOTHING_TOLD)));
        List<MasterPair> asked = pairs.stream()
                .filter(pair -> isAsked(decided.get(pair).merged()))
                .toList();
        told(route, rules, asked)
                .forEach((pair, told) -> decided.put(
                        pair, new Decided(again(rules, pair, decided.get(pair).merged(), told), told)));
        return decided;
    }

    private Merged again(MasterRulesNow rules, MasterPair pair, Merged first, Both<LastChanges> told) {
        return rules.laterWins()
                ? RecordMerge.merge(pair.values(), pair.baseline(), rules.of(pair, told, clock.instant()))
                : first;
    }

    private static boolean isAsked(Merged merged) {
        return merged.fields().values().stream()
                .anyMatch(each -> each instanceof Verdict.Drift || each instanceof Verdict.Conflict);
    }

    private Map<MasterPair, Both<LastChanges>> told(RouteRow route, MasterRulesNow rules, List<MasterPair> asked) {
        try {
            return who.of(route, rules.master(), asked);
        } catch (UnreachableException e) {
            if (rules.laterWins()) {
                throw e;
            }
            return Map.of();
        }
    }
}
