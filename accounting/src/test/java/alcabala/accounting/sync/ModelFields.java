package alcabala.accounting.sync;

import java.time.Instant;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/// What is known of the fields of the model: a name, a note, and a code that each side writes its own way.
final class ModelFields implements Fields {
    final Map<String, Rule> rules = new HashMap<>();
    private final Both<ModelSide> sides;
    private final Function<Side, Map<String, Instant>> told;

    /// @param told when people changed each field, as far as a side was heard
    ModelFields(Both<ModelSide> sides, Function<Side, Map<String, Instant>> told) {
        this.sides = sides;
        this.told = told;
    }

    @Override
    public boolean same(String field, String source, String ledger) {
        return source == null || ledger == null
                ? source == ledger
                : translated(field, source, Side.LEDGER).filter(ledger::equals).isPresent();
    }

    /// Codes are written large on the ledger; those with an x have no counterpart.
    @Override
    public Optional<String> translated(String field, String value, Side to) {
        if (!field.equals("code")) {
            return Optional.of(value);
        }
        return value.toLowerCase(Locale.ROOT).startsWith("x")
                ? Optional.empty()
                : Optional.of(to == Side.SOURCE ? value.toLowerCase(Locale.ROOT) : value.toUpperCase(Locale.ROOT));
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
        return sides.of(side).locked.contains(field) ? Optional.of("locked") : Optional.empty();
    }

    @Override
    public Optional<Instant> changedAt(String field, Side side) {
        return Optional.ofNullable(told.apply(side).get(field));
    }
}
