package alcabala.accounting.party;

import java.util.Locale;
import java.util.Set;

/// The business whose books these are, to tell its own sales from bills addressed to it.
public record Business(String name, Set<String> taxIdentifiers) {
    /// By tax identifier when the party states one, else by name without regard to case and spacing.
    public boolean is(Party party) {
        if (!party.taxIdentifier().isBlank()) {
            return taxIdentifiers.contains(compact(party.taxIdentifier()));
        }
        return compact(name).equals(compact(party.name()));
    }

    private static String compact(String text) {
        return text.replaceAll("[\\s.,-]", "").toUpperCase(Locale.ROOT);
    }
}
