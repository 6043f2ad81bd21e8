package alcabala.accounting.sync;

import alcabala.accounting.sync.Verdict.Agreed;
import alcabala.accounting.sync.Verdict.Apart;
import alcabala.accounting.sync.Verdict.Conflict;
import alcabala.accounting.sync.Verdict.Drift;
import alcabala.accounting.sync.Verdict.Travels;
import alcabala.accounting.sync.Verdict.Why;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/// The table of cases for one field (synchronisation, "The merge of one field").
public final class FieldMerge {
    /// Clocks differ: what lies closer together is told apart by nobody.
    static final Duration APART = Duration.ofMinutes(1);

    private FieldMerge() {}

    public static Verdict decide(FieldState state, Rule rule) {
        return possible(table(state, rule), state);
    }

    private static Verdict table(FieldState state, Rule rule) {
        if (state.equal()) {
            return new Agreed(state.isNeither() ? Case.UNCHANGED : Case.CHANGED_ALIKE);
        }
        if (state.isNeither()) {
            return new Apart(Case.UNCHANGED_APART);
        }
        if (rule.direction() == Direction.NONE) {
            return new Drift(Case.DIRECTION_NONE, changed(state), Why.DIRECTION_NONE);
        }
        if (state.isOnly(Side.SOURCE)) {
            return one(Side.SOURCE, rule, Case.SOURCE_TRAVELS, Case.SOURCE_ONLY);
        }
        if (state.isOnly(Side.LEDGER)) {
            return one(Side.LEDGER, rule, Case.LEDGER_TRAVELS, Case.LEDGER_ONLY);
        }
        return both(state, rule);
    }

    private static Verdict one(Side side, Rule rule, Case travels, Case stays) {
        if (rule.owner().isOther(side)) {
            return new Drift(stays, Set.of(side), Why.OWNED_BY_OTHER);
        }
        return rule.direction().lets(side)
                ? new Travels(travels, side.other(), false)
                : new Drift(stays, Set.of(side), Why.ONE_WAY);
    }

    private static Verdict both(FieldState state, Rule rule) {
        for (Side side : Side.values()) {
            if (rule.owner().is(side) && rule.direction().lets(side)) {
                return new Travels(Case.OWNER_WINS, side.other(), true);
            }
        }
        if (rule.owner() == Owner.NOBODY) {
            for (Side side : Side.values()) {
                if (rule.policy().name().equals(side.name()) && rule.direction().lets(side)) {
                    return new Travels(Case.POLICY_WINS, side.other(), true);
                }
            }
            Optional<Side> later = rule.policy() == Policy.LATEST ? later(state) : Optional.empty();
            if (later.isPresent() && rule.direction().lets(later.get())) {
                return new Travels(Case.LATEST_WINS, later.get().other(), true);
            }
        }
        return new Conflict(Case.PERSON_DECIDES);
    }

    /// Empty where a side does not tell, or where nobody can say which was first.
    private static Optional<Side> later(FieldState state) {
        if (state.changedAt().source().isEmpty() || state.changedAt().ledger().isEmpty()) {
            return Optional.empty();
        }
        Instant source = state.changedAt().source().get();
        Instant ledger = state.changedAt().ledger().get();
        if (Duration.between(source, ledger).abs().compareTo(APART) <= 0) {
            return Optional.empty();
        }
        return Optional.of(source.isAfter(ledger) ? Side.SOURCE : Side.LEDGER);
    }

    /// Nothing is written to a side that takes no change: what should go there is drift of the side that has it.
    private static Verdict possible(Verdict verdict, FieldState state) {
        boolean neither = !state.writable().source() && !state.writable().ledger();
        return switch (verdict) {
            case Travels travels
            when !state.writable().of(travels.to()) ->
                new Drift(travels.by(), neither ? changed(state) : Set.of(travels.from()), Why.NOT_WRITABLE);
            case Conflict conflict when neither -> new Drift(conflict.by(), changed(state), Why.NOT_WRITABLE);
            default -> verdict;
        };
    }

    private static Set<Side> changed(FieldState state) {
        Set<Side> sides = EnumSet.noneOf(Side.class);
        for (Side side : Side.values()) {
            if (state.changed().of(side)) {
                sides.add(side);
            }
        }
        return sides;
    }
}
