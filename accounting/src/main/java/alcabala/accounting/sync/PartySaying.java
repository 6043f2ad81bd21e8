package alcabala.accounting.sync;

import alcabala.accounting.party.PartyField;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/// Both sides say of a party in plain text what it is, but for its terms of payment: each has codes of its own for
/// them, and the crosswalk says which stands for which.
///
/// @param terms the ledger's codes by the source's
public record PartySaying(Map<String, String> terms) implements Saying {
    public PartySaying {
        terms = Map.copyOf(terms);
    }

    @Override
    public Optional<String> said(String field, String value, Side to) {
        if (!field.equals(PartyField.TERMS.code())) {
            return Optional.of(value);
        }
        return Optional.ofNullable((to == Side.LEDGER ? terms : bySource()).get(value));
    }

    /// Of what several codes of the source stand for nobody can say which it is.
    private Map<String, String> bySource() {
        Map<String, String> back = new HashMap<>();
        terms.forEach((source, ledger) -> back.merge(ledger, source, (one, other) -> ""));
        back.values().removeIf(String::isEmpty);
        return back;
    }

    /// All of it as one text; empty where nothing is said.
    public String text() {
        return terms.isEmpty() ? "" : new TreeMap<>(terms).toString();
    }
}
