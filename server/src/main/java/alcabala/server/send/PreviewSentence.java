package alcabala.server.send;

import alcabala.accounting.posting.Cancellation;
import alcabala.server.platform.Amounts;
import alcabala.server.route.RouteRow;
import java.util.ArrayList;
import java.util.List;

/// What a batch would do, said before it is sent.
final class PreviewSentence {
    private PreviewSentence() {}

    static String of(RouteRow route, Preview preview) {
        String does = capital(joined(does(route, preview)));
        List<String> creates = creates(preview);
        return does + ", " + Amounts.shown(preview.totals().gross())
                + (creates.isEmpty() ? "" : ", creates " + joined(creates) + " on " + route.ledger());
    }

    private static List<String> does(RouteRow route, Preview preview) {
        String noun = switch (preview.family()) {
            case DOCUMENT -> "document";
            case SETTLEMENT -> "payment";
            case TRANSFER -> "banking";
        };
        int taken = (int) preview.documents().stream()
                .filter(each -> each.posting().entry() instanceof Cancellation)
                .count();
        int changed = preview.inPlace() - taken;
        int fresh = preview.totals().count() - preview.inPlace();
        List<String> does = new ArrayList<>();
        if (fresh > 0 || preview.inPlace() == 0) {
            does.add((route.ledgerAnswers() ? "posts " : "writes ") + counted(fresh, noun));
        }
        if (changed > 0) {
            does.add("changes " + counted(changed, noun) + (changed == 1 ? " that stands there" : " that stand there"));
        }
        if (taken > 0) {
            does.add("takes back " + counted(taken, noun));
        }
        return does;
    }

    private static List<String> creates(Preview preview) {
        List<String> creates = new ArrayList<>();
        int parties = preview.parties().size();
        if (parties > 0) {
            creates.add(parties == 1 ? "1 party" : parties + " parties");
        }
        if (!preview.items().isEmpty()) {
            creates.add(counted(preview.items().size(), "item"));
        }
        return creates;
    }

    private static String counted(int count, String noun) {
        return count + " " + noun + (count == 1 ? "" : "s");
    }

    /// `one, two and three`.
    private static String joined(List<String> parts) {
        int last = parts.size() - 1;
        return last < 1
                ? String.join("", parts)
                : String.join(", ", parts.subList(0, last)) + " and " + parts.get(last);
    }

    private static String capital(String text) {
        return text.isEmpty() ? text : Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }
}
