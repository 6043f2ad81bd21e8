package alcabala.accounting.sync;

import alcabala.accounting.party.PartyField;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;

/// The fields of parties on a route. Both sides say them in plain text, so each value has a counterpart; neither tells
/// when one was changed.
///
/// @param rules of each field
/// @param locked why a side takes no other value for a field; what is not there it takes
public record PartyFields(Map<PartyField, Rule> rules, Both<Map<PartyField, String>> locked) implements Fields {
    public PartyFields {
        rules = Map.copyOf(rules);
        locked = locked.map(Map::copyOf);
    }

    @Override
    public boolean same(String field, String source, String ledger) {
        return named(field).isSame(source, ledger);
    }

    @Override
    public Optional<String> translated(String field, String value, Side to) {
        return Optional.of(value);
    }

    @Override
    public Rule rule(String field) {
        return rules.get(named(field));
    }

    @Override
    public boolean isTotal(String field) {
        return false;
    }

    @Override
    public Optional<String> locked(String field, Side side) {
        return Optional.ofNullable(locked.of(side).get(named(field)));
    }

    @Override
    public Optional<Instant> changedAt(String field, Side side) {
        return Optional.empty();
    }

    private static PartyField named(String field) {
        return PartyField.find(field).orElseThrow(() -> new IllegalArgumentException("no field of parties: " + field));
    }
}
