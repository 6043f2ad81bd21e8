package alcabala.server.send;

/// What to do about a refusal.
final class Advice {
    private Advice() {}

    static String forRefusal(String code, String source, String ledger) {
        return switch (code) {
            case "" -> "";
            case "number-taken" ->
                "Give the document another number in %s and fetch it, or find out what stands under that number in %s."
                        .formatted(source, ledger);
            case "period-locked" ->
                "Open the period in %s, then send it again; or date the document in an open period in %s."
                        .formatted(ledger, source);
            case "account-unknown", "account-inactive", "account-type" ->
                "Map the line to an account that is in use in %s, then send it again.".formatted(ledger);
            case "party-unknown", "party-inactive" ->
                "Choose another counterpart for the party on Map, or make it active in %s.".formatted(ledger);
            case "stale-version" ->
                "Fetch both sides, see what was changed in %s meanwhile, and decide again.".formatted(ledger);
            case "refused-in-file" -> "Put it right, then make a further revision of its batch.";
            case "tax-code-unknown" -> "Choose an active tax code on Map, then send it again.";
            case "item-unknown", "name-taken", "name-too-long", "code-taken" ->
                "Choose an item of %s as counterpart on Map, then send it again.".formatted(ledger);
            default -> "Put it right where %s says, then send it again.".formatted(ledger);
        };
    }
}
