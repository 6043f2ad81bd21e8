package alcabala.accounting.party;

import java.util.Locale;
import java.util.Set;

/// The business whose books these are, to tell its own sales from bills addressed to it.
///
/// @param taxIdentifiers in capitals, without spaces, points, commas and dashes
/// @param knownAs codes of parties of which somebody said that they are the business
public record Business(String name, Set<String> taxIdentifiers, Set<String> knownAs) {
    /// By what somebody said, else by tax identifier when the party states one, else by name without regard to case and
    /// spacing.
    public boolean is(Party party) {
        if (knownAs.contains(party.code())) {
            return true;
        }
        if (!party.taxIdentifier().isBlank()) {
            return taxIdentifiers.contains(compact(party.taxIdentifier()));
        }
        return compact(name).equals(compact(party.name()));
    }

    private static String compact(String text) {
        return text.replaceAll("[\\s.,-]", "").toUpperCase(Locale.ROOT);
    }
}
