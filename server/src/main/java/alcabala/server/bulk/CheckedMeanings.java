package alcabala.server.bulk;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.map.RowChecks;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;

/// Checks what rows of one kind may say. Many rows say the same, which is looked up once.
final class CheckedMeanings {
    /// Kinds of which each code takes other accounts.
    private static final Set<RowKind> EACH_ITS_OWN =
            Set.of(RowKind.ROLE, RowKind.LINE_KIND, RowKind.PAYER, RowKind.FIELD, RowKind.CHOICE);
    private final RouteRow route;
    private final RowKind kind;
    private final RowChecks checks;
    private final Map<Meaning, Checked> known = new HashMap<>();

    /// @param meaning as it can be kept
    /// @param problem a sentence; empty for none
    record Checked(Meaning meaning, String problem) {
        boolean isWrong() {
            return !problem.isEmpty();
        }
    }

    CheckedMeanings(RouteRow route, RowKind kind, RowChecks checks) {
        this.route = route;
        this.kind = kind;
        this.checks = checks;
    }

    Checked of(String code, Meaning says) {
        return EACH_ITS_OWN.contains(kind) ? check(code, says) : known.computeIfAbsent(says, it -> check(code, it));
    }

    private Checked check(String code, Meaning says) {
        try {
            return new Checked(checks.check(route, kind, code, says), "");
        } catch (NotPossibleException e) {
            return new Checked(says, e.getMessage());
        }
    }
}
