package alcabala.accounting.sync;

import alcabala.accounting.sync.Verdict.Agreed;
import alcabala.accounting.sync.Verdict.Apart;
import alcabala.accounting.sync.Verdict.Drift;
import alcabala.accounting.sync.Verdict.Travels;
import alcabala.accounting.sync.Verdict.Why;
import java.util.Set;

/// A field of two records that have just been linked: there is no baseline yet (synchronisation, "First linking"). An
/// empty side is filled, whoever owns the field; two different values are as if both had changed. Where nothing of the
/// kind goes that way, the two stay apart: nobody changed anything.
public final class FirstLinking {
    private FirstLinking() {}

    /// @param state with both sides changed; `equal` as it is
    /// @param there whether a side has a value
    public static Verdict decide(FieldState state, Both<Boolean> there, Rule rule) {
        if (state.equal()) {
            return new Agreed(Case.CHANGED_ALIKE);
        }
        for (Side empty : Side.values()) {
            if (!there.of(empty)) {
                return fill(empty, state, rule);
            }
        }
        return rule.direction() == Direction.NONE ? new Apart(Case.DIRECTION_NONE) : FieldMerge.decide(state, rule);
    }

    private static Verdict fill(Side empty, FieldState state, Rule rule) {
        Case by = empty == Side.LEDGER ? Case.SOURCE_TRAVELS : Case.LEDGER_TRAVELS;
        if (!rule.direction().lets(empty.other())) {
            return new Apart(by);
        }
        return state.writable().of(empty)
                ? new Travels(by, empty, false)
                : new Drift(by, Set.of(empty.other()), Why.NOT_WRITABLE);
    }
}
