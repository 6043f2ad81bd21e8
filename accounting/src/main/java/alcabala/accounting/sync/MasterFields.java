package alcabala.accounting.sync;

import alcabala.accounting.field.MasterField;
import alcabala.accounting.field.Use;
import java.time.Instant;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;

/// The fields of a kind of master on a route.
///
/// @param rules of each field, by its code
/// @param locked why a side takes no other value for a field, by its code; what is not there it takes
/// @param saying how one side's value is said on the other
/// @param changedAt when a person changed a field there, by its code, as far as that side tells
public record MasterFields(
        Collection<? extends MasterField> fields,
        Map<String, Rule> rules,
        Both<Map<String, String>> locked,
        Saying saying,
        Both<Map<String, Instant>> changedAt)
        implements Fields {
    public MasterFields {
        rules = Map.copyOf(rules);
        locked = locked.map(Map::copyOf);
        changedAt = changedAt.map(Map::copyOf);
    }

    /// Of one of which no side told when it was changed.
    public MasterFields(
            Collection<? extends MasterField> fields,
            Map<String, Rule> rules,
            Both<Map<String, String>> locked,
            Saying saying) {
        this(fields, rules, locked, saying, new Both<>(Map.of(), Map.of()));
    }

    /// The same once they did.
    public MasterFields changedAt(Both<Map<String, Instant>> times) {
        return new MasterFields(fields, rules, locked, saying, times);
    }

    /// What the source has is as the ledger would say it.
    @Override
    public boolean same(String field, String source, String ledger) {
        String there =
                source == null ? null : translated(field, source, Side.LEDGER).orElse(source);
        return named(field).isSame(there, ledger);
    }

    /// That one is gone cannot be said of another: it is put out of use.
    @Override
    public Optional<String> translated(String field, String value, Side to) {
        return named(field).isUse() ? Optional.of(Use.said(value)) : saying.said(field, value, to);
    }

    @Override
    public Rule rule(String field) {
        return rules.get(field);
    }

    @Override
    public boolean isTotal(String field) {
        return false;
    }

    @Override
    public Optional<String> locked(String field, Side side) {
        return Optional.ofNullable(locked.of(side).get(field));
    }

    @Override
    public Optional<Instant> changedAt(String field, Side side) {
        return Optional.ofNullable(changedAt.of(side).get(field));
    }

    private MasterField named(String field) {
        for (MasterField each : fields) {
            if (each.code().equals(field)) {
                return each;
            }
        }
        throw new IllegalArgumentException("no such field: " + field);
    }
}
