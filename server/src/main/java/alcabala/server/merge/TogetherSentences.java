package alcabala.server.merge;

import alcabala.accounting.field.Half;
import alcabala.accounting.posting.PutTogether;
import alcabala.server.route.RouteRow;

/// Why what both sides changed cannot be put together, in a sentence.
public final class TogetherSentences {
    private TogetherSentences() {}

    public static String why(RouteRow route, PutTogether.Outcome.Cannot cannot) {
        String field = named(cannot.field());
        String ledger = route.ledger();
        return switch (cannot.why()) {
            case CONFLICT -> "Both sides changed %s: say whose stands.".formatted(field);
            case SUMS ->
                "%s keeps %s as it is there, and then it would not come to what %s says."
                        .formatted(ledger, field, route.source());
            case LINES ->
                "%s was added or taken away in %s, or stands for several of %s."
                        .formatted(capital(field), ledger, route.source());
            case OWNED -> "%s was changed in %s, and %s decides it.".formatted(capital(field), route.source(), ledger);
            case BOOKED ->
                "%s is booked otherwise in %s, and more of its journal follows from that."
                        .formatted(capital(field), ledger);
        };
    }

    private static String named(String field) {
        if (Half.isLine(field)) {
            return field;
        }
        return field.equals(Half.GROSS) ? "its sum" : "the " + field.replace('-', ' ');
    }

    private static String capital(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }
}
