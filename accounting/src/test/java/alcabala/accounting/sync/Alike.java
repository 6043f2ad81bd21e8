package alcabala.accounting.sync;

import alcabala.accounting.field.Half;
import java.time.Instant;
import java.util.Optional;

/// Both sides speak alike, everything travels, nothing is owned.
class Alike implements Fields {
    @Override
    public boolean same(String field, String source, String ledger) {
        return source == null ? ledger == null : source.equals(ledger);
    }

    @Override
    public Optional<String> translated(String field, String value, Side to) {
        return Optional.of(value);
    }

    @Override
    public Rule rule(String field) {
        return new Rule(Direction.BOTH, Owner.NOBODY, Policy.ASK);
    }

    @Override
    public boolean isTotal(String field) {
        return field.equals(Half.GROSS);
    }

    @Override
    public Optional<String> locked(String field, Side side) {
        return Optional.empty();
    }

    @Override
    public Optional<Instant> changedAt(String field, Side side) {
        return Optional.empty();
    }
}
