package alcabala.server.masters;

import alcabala.accounting.sync.Side;
import alcabala.accounting.sync.Verdict;
import alcabala.accounting.sync.Verdict.Why;
import alcabala.server.masters.MasterQuestions.Asked;
import alcabala.server.route.RouteRow;
import java.util.Locale;

/// Why a person is asked about a field of a master, in a sentence.
final class MasterSentences {
    private static final String IN_USE = "in-use";

    private MasterSentences() {}

    static String why(RouteRow route, MasterRulesNow rules, Asked asked) {
        return switch (asked.verdict()) {
            case Verdict.Drift drift
            when asked.field().equals(IN_USE) && drift.why() == Why.DIRECTION_NONE -> use(route, drift);
            case Verdict.Drift drift ->
                drifts(route, asked.kind().name().toLowerCase(Locale.ROOT), drift, asked.reason());
            default ->
                rules.laterWins()
                        ? "Both sides changed it, and nobody can tell which was later."
                        : "Both sides changed it, and nothing says whose it is.";
        };
    }

    private static String use(RouteRow route, Verdict.Drift drift) {
        Side side = drift.of().contains(Side.LEDGER) ? Side.LEDGER : Side.SOURCE;
        return "Whether it is in use changed in %s. That goes to %s only if somebody says so."
                .formatted(MasterSides.name(route, side), MasterSides.name(route, side.other()));
    }

    private static String drifts(RouteRow route, String of, Verdict.Drift drift, String reason) {
        if (drift.of().size() > 1) {
            return "Both sides changed it, and nothing of %s goes either way.".formatted(of);
        }
        Side side = drift.of().iterator().next();
        String by = MasterSides.name(route, side);
        String other = MasterSides.name(route, side.other());
        return switch (drift.why()) {
            case DIRECTION_NONE -> "Changed in %s, and nothing of %s goes either way.".formatted(by, of);
            case OWNED_BY_OTHER -> "Changed in %s, and it is %s’s.".formatted(by, other);
            case ONE_WAY -> "Changed in %s, and nothing of %s goes from there to %s.".formatted(by, of, other);
            case TOTAL -> throw new IllegalArgumentException("masters have no totals");
            case NOT_WRITABLE ->
                reason.isEmpty()
                        ? "Changed in %s, and %s does not take it from elsewhere.".formatted(by, other)
                        : "It did not go to %s: %s".formatted(other, sentence(reason));
        };
    }

    private static String sentence(String reason) {
        String text = reason.substring(0, 1).toUpperCase(Locale.ROOT) + reason.substring(1);
        return text.endsWith(".") ? text : text + ".";
    }
}
